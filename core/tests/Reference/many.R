# Makes many.json: two hundred made-up comparisons with what R says of them, for the tests of the core.
# Run: Rscript many.R > many.json   (R 4.2, epiR, psych, vcd, robustbase, jsonlite from Debian)
suppressMessages({library(jsonlite); library(epiR); library(psych); library(vcd); library(robustbase)})
set.seed(20261126)

brute <- function(x, y) {
  n <- length(x); s <- c()
  for (i in 1:(n - 1)) for (j in (i + 1):n) {
    dx <- x[j] - x[i]; dy <- y[j] - y[i]
    if (dx == 0 && dy == 0) next
    m <- if (dx == 0) Inf else dy / dx
    if (is.finite(m) && abs(m + 1) <= 1e-9) next
    s <- c(s, m)
  }
  s <- sort(s); N <- length(s); K <- sum(s < -1)
  at <- function(k) if (k + K < 1 || k + K > N || !is.finite(s[k + K])) NA else s[k + K]
  b <- if (N %% 2) at((N + 1) / 2) else (at(N / 2) + at(N / 2 + 1)) / 2
  C <- qnorm(.975) * sqrt(n * (n - 1) * (2 * n + 5) / 18)
  m1 <- round((N - C) / 2)
  c(b, if (m1 < 1) NA else at(m1), if (m1 < 1) NA else at(N - m1 + 1), median(y - b * x))
}
compare <- function(k) {
  n <- sample(c(6, 8, 10, 12, 15, 20, 30, 40, 60), 1)
  truth <- runif(n, 4.5, 8); digits <- sample(c(1, 2, 3), 1)
  x <- round(truth + rnorm(n, 0, .08), 3)
  y <- round(runif(1, -1, 1) + runif(1, .7, 1.3) * truth + rnorm(n, 0, sample(c(.05, .15, .4), 1)), digits)
  d <- y - x; a <- (x + y) / 2; t <- summary(lm(d ~ a))$coefficients
  pc <- prcomp(cbind(x, y))$rotation; slope <- unname(pc[2, 1] / pc[1, 1])
  c1 <- epi.ccc(x, y, ci = "z-transform", conf.level = .95)$rho.c$est
  limits <- c(6, 7.3); cls <- function(v) factor(findInterval(v, limits), levels = 0:2)
  m <- table(cls(x), cls(y)); storage.mode(m) <- "integer"; km <- matrix(m, 3)
  ka <- if (sum(rowSums(km) > 0) > 1 && sum(colSums(km) > 0) > 1) suppressMessages(suppressWarnings(tryCatch({
    w <- Kappa(as.table(km), weights = "Fleiss-Cohen"); l <- Kappa(as.table(km)); c(unname(w$Unweighted[1]), unname(l$Weighted[1]), unname(w$Weighted[1])) }, error = function(e) c(NA, NA, NA)))) else c(NA, NA, NA)
  list(x = x, y = y, d = c(mean(d), sd(d)), ci = as.numeric(t.test(d)$conf.int), t = c(t[2, 1], t[2, 4]), dem = c(slope, mean(y) - slope * mean(x)), pb = brute(x, y), ccc = c1, m = km, k = ka)
}
sets <- lapply(1:200, compare)

# Nested designs, two by two: R's own analysis of variance.
nested <- lapply(1:40, function(k) {
  g <- sample(c(4, 8, 12), 1)
  v <- expand.grid(a = 1:2, s = 1:2, t = 1:g)
  ts <- rnorm(g, 50, 8); ss <- rnorm(2 * g, 0, 4)
  v$y <- round(ts[v$t] + ss[(v$t - 1) * 2 + v$s] + rnorm(nrow(v), 0, 2), 2)
  f <- anova(lm(y ~ factor(t) / factor(s), v))[["Mean Sq"]]
  list(y = v$y, ms = f)
})
# A single group by Huber's proposal 2: the spread iterated here, the location by robustbase's M-estimator at that spread.
means <- lapply(1:40, function(k) {
  y <- round(c(rnorm(14, 10, 2), runif(2, 20, 40)), 3); n <- length(y); s <- sd(y); f <- sqrt((n - 1) / n)
  for (i in 1:5000) { mu <- huberM(y, k = 1.5 * f, s = s, tol = 1e-13)$mu; w <- pmin(pmax(y, mu - 1.5 * f * s), mu + 1.5 * f * s); s2 <- sqrt(var(w) / 0.7785); if (abs(s2 - s) < 1e-13 * s) break; s <- s2 }
  list(y = y, mu = mu, s = s)
})

cat(toJSON(list(made_with = paste(R.version.string, "epiR", packageVersion("epiR"), "vcd", packageVersion("vcd"), "psych", packageVersion("psych"), "robustbase", packageVersion("robustbase")),
  psych = lapply(sets[1:40], function(s) if (any(is.na(s$k))) NA else cohen.kappa(s$m)$weighted.kappa),
  sets = sets, nested = nested, huber = means), auto_unbox = TRUE, digits = 12, na = "null"), "\n")
