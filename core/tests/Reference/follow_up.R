# Changes of plots, slopes of series, and schools against their word: t.test, lm and confint, var and qchisq.
# Writes follow_up.json. Run: Rscript follow_up.R > follow_up.json
suppressMessages(library(jsonlite))
set.seed(20261129)
welch <- list(); alone <- list(); slopes <- list(); schools <- list()
for (k in 1:30) {
  treated <- round(rnorm(2 + k %% 5, 0.8, 0.2), 3)
  control <- round(rnorm(2 + k %% 4, 0.2, 0.1 + 0.02 * k), 3)
  confidence <- c(0.9, 0.95, 0.99)[(k %% 3) + 1]
  two <- t.test(treated, control, conf.level = confidence)
  one <- t.test(treated, conf.level = confidence)
  welch[[k]] <- list(treated = treated, control = control, confidence = confidence, interval = as.numeric(two$conf.int),
                     df = unname(two$parameter), difference = mean(treated) - mean(control))
  alone[[k]] <- list(treated = treated, confidence = confidence, interval = as.numeric(one$conf.int))
}
for (k in 1:12) {
  n <- 3 + k %% 6
  on <- sort(sample(seq(as.Date("2016-03-01"), as.Date("2026-11-01"), by = "day"), n))
  value <- round(5.8 + 0.05 * (1:n) + rnorm(n, 0, 0.15), 2)
  years <- as.numeric(on) / 365.25
  fit <- lm(value ~ years)
  slopes[[k]] <- list(on = format(on), value = value, slope = unname(coef(fit)[2]), interval = as.numeric(confint(fit, "years", 0.95)))
}
for (k in 1:12) {
  n <- 2 + k %% 11
  expected <- round(runif(n, 0.3, 1), 3)
  observed <- round(0.75 * expected + rnorm(n, 0, 0.1), 3)
  off <- observed - expected
  test <- t.test(off)
  fit <- lm(observed ~ expected - 1)
  left <- sapply(1:n, function(i) observed[i] - sum(expected[-i] * observed[-i]) / sum(expected[-i]^2) * expected[i])
  schools[[k]] <- list(expected = expected, observed = observed, bias = mean(off), bias_interval = as.numeric(test$conf.int),
                       sd = sd(off), sd_interval = sd(off) * sqrt((n - 1) / qchisq(c(0.975, 0.025), n - 1)),
                       factor = unname(coef(fit)), factor_interval = as.numeric(confint(fit)),
                       error = sqrt(mean(off^2)), error_with_factor = sqrt(mean(left^2)))
}
cat(toJSON(list(welch = welch, alone = alone, slopes = slopes, schools = schools), digits = 12, auto_unbox = TRUE), "\n")
