# Makes statistics.json: what R says of the distributions and of two data sets, for the tests of the core.
# Run: Rscript statistics.R > statistics.json   (R 4.2, epiR, psych, vcd, jsonlite from Debian)
suppressMessages({library(jsonlite); library(epiR); library(psych); library(vcd)})
options(digits = 17)

bounds <- do.call(rbind, lapply(list(c(14,14), c(29,29), c(13,15), c(15,16), c(1,3), c(0,7), c(45,50), c(190,200), c(999,1000)), function(k)
  do.call(rbind, lapply(c(.9, .95, .99), function(conf) data.frame(
    hits = k[1], trials = k[2], confidence = conf,
    lower = binom.test(k[1], k[2], alternative = "greater", conf.level = conf)$conf.int[1],
    upper = binom.test(k[1], k[2], alternative = "less", conf.level = conf)$conf.int[2])))))

grid <- expand.grid(p = c(.005, .025, .05, .5, .9, .975, .995), df = c(1, 2, 4, 9, 16, 29, 120))
student <- transform(grid, q = qt(p, df))
chi <- transform(grid, q = qchisq(p, df))
normal <- data.frame(p = c(1e-9, 1e-4, .025, .3, .5, .8, .975, .9999), q = qnorm(c(1e-9, 1e-4, .025, .3, .5, .8, .975, .9999)))
noncentral <- do.call(rbind, lapply(c(5, 8, 10, 15, 17, 20, 30, 50, 100, 300), function(n) data.frame(
  n = n, p = c(.025, .975), q = qt(c(.025, .975), n - 1, ncp = 1.96 * sqrt(n)))))

# Peak expiratory flow, large and mini meter, 17 subjects: Bland & Altman 1986, Lancet 327:307-310, table 1
# (readings written from memory; the paper's own mean -2.1 and SD 38.8 are checked in the test).
large1 <- c(494,395,516,434,476,557,413,442,650,433,417,656,267,478,178,423,427)
mini1  <- c(512,430,520,428,500,600,364,380,658,445,432,626,260,477,259,350,451)
large2 <- c(490,397,512,401,470,611,415,431,638,429,420,633,275,492,165,372,421)
mini2  <- c(525,415,508,444,500,625,460,390,642,432,420,605,227,467,268,370,443)

brute_passing <- function(x, y, conf) {
  n <- length(x); s <- c()
  for (i in 1:(n - 1)) for (j in (i + 1):n) {
    dx <- x[j] - x[i]; dy <- y[j] - y[i]
    if (dx == 0 && dy == 0) next
    m <- if (dx == 0) Inf else dy / dx
    if (is.finite(m) && abs(m + 1) <= 1e-9) next
    s <- c(s, m)
  }
  s <- sort(s); N <- length(s); K <- sum(s < -1)
  b <- if (N %% 2) s[(N + 1) / 2 + K] else (s[N / 2 + K] + s[N / 2 + 1 + K]) / 2
  C <- qnorm(1 - (1 - conf) / 2) * sqrt(n * (n - 1) * (2 * n + 5) / 18)
  m1 <- round((N - C) / 2); m2 <- N - m1 + 1
  ci <- c(s[m1 + K], s[m2 + K])
  list(slope = b, slope_ci = ci, intercept = median(y - b * x), intercept_ci = c(median(y - ci[2] * x), median(y - ci[1] * x)))
}
judge <- function(x, y) {
  d <- y - x; n <- length(d); m <- mean(d); s <- sd(d); a <- (x + y) / 2
  trend <- summary(lm(d ~ a))$coefficients
  pc <- prcomp(cbind(x, y))$rotation
  ccc <- epi.ccc(x, y, ci = "z-transform", conf.level = .95)
  ncp <- 1.96 * sqrt(n); q <- qt(c(.025, .975), n - 1, ncp = ncp)
  slope <- unname(pc[2, 1] / pc[1, 1])
  list(reference = x, test = y, mean = m, sd = s, mean_ci = as.numeric(t.test(d)$conf.int),
    upper_limit_ci = m + s * q / sqrt(n), lower_limit_ci = rev(m - s * q / sqrt(n)),
    trend = list(slope = trend[2, 1], p = trend[2, 4]),
    deming = list(slope = slope, intercept = mean(y) - slope * mean(x)),
    passing_bablok = brute_passing(x, y, .95),
    ccc = list(est = ccc$rho.c$est, ci = c(ccc$rho.c$lower, ccc$rho.c$upper)))
}
set.seed(20)
soil_x <- round(runif(40, 4.8, 7.8), 2); soil_y <- round(soil_x * 0.94 + 0.35 + rnorm(40, 0, .17), 2)

tables <- list(matrix(c(20, 5, 1, 3, 15, 4, 0, 2, 10), 3, byrow = TRUE), matrix(c(6, 1, 1, 5), 2, byrow = TRUE),
  matrix(c(11, 2, 0, 0, 3, 9, 1, 0, 1, 2, 7, 3, 0, 0, 2, 8), 4, byrow = TRUE))
kappas <- lapply(tables, function(m) list(matrix = m, unweighted = unname(Kappa(m)$Unweighted[1]),
  linear = unname(Kappa(m, weights = "Equal-Spacing")$Weighted[1]), quadratic = unname(Kappa(m, weights = "Fleiss-Cohen")$Weighted[1]),
  psych_unweighted = cohen.kappa(m)$kappa, psych_quadratic = cohen.kappa(m)$weighted.kappa))

within <- data.frame(sample = rep(1:17, 2), value = c(large1, large2))
fit <- anova(lm(value ~ factor(sample), within)); df <- fit["Residuals", "Df"]; sw <- sqrt(fit["Residuals", "Mean Sq"])
repeatability <- list(first = large1, second = large2, reference = mini1, sd_within = sw, df = df,
  ci = sw * sqrt(df / qchisq(c(.975, .025), df)))

needed <- function(sd, margin, conf, N = NULL) { n <- 2; repeat {
  f <- if (is.null(N)) 1 else sqrt(max(0, 1 - n / N))
  if (qt((1 + conf) / 2, n - 1) * sd / sqrt(n) * f <= margin || (!is.null(N) && n >= N)) return(n); n <- n + 1 } }
cores <- do.call(rbind, lapply(list(c(.5,.25,.9), c(.5,.2,.95), c(.3,.1,.95), c(.4,.2,.9), c(.4,.05,.99)), function(k)
  data.frame(sd = k[1], margin = k[2], confidence = k[3], cores = needed(k[1], k[2], k[3]), of60 = needed(k[1], k[2], k[3], 60))))

cat(toJSON(list(made_with = paste(R.version.string, "epiR", packageVersion("epiR"), "vcd", packageVersion("vcd"), "psych", packageVersion("psych")),
  bounds = bounds, student = student, chi_square = chi, normal = normal, noncentral_t = noncentral,
  bland_altman_1986 = judge(large1, mini1), bland_altman_second = judge(large2, mini2), soil = judge(soil_x, soil_y),
  kappas = kappas, repeatability = repeatability, cores_needed = cores), auto_unbox = TRUE, digits = NA, pretty = TRUE), "\n")
