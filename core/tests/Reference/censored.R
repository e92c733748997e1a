# Bias and spread of band tests: survreg of package survival, interval2, gaussian. Writes censored.json.
# Run: Rscript censored.R > censored.json
suppressMessages(library(survival))
suppressMessages(library(jsonlite))
set.seed(20261128)
sets <- list()
for (k in 1:12) {
  n <- c(6, 10, 20, 40, 80)[(k %% 5) + 1]
  width <- c(0.5, 1, 0.5)[(k %% 3) + 1]
  x <- round(runif(n, 4.5, 8), 2)
  y <- x + c(-0.2, 0, 0.3)[(k %% 3) + 1] + rnorm(n, 0, c(0.15, 0.4, 0.3, 0.25)[(k %% 4) + 1])
  low <- floor(y / width) * width
  high <- low + width
  if (k %% 2 == 0) { low[low < 5] <- -Inf; high[high > 7.5] <- Inf }
  fit <- survreg(Surv(ifelse(is.finite(low), low - x, NA), ifelse(is.finite(high), high - x, NA), type = "interval2") ~ 1,
                 dist = "gaussian", control = survreg.control(rel.tolerance = 1e-13, maxiter = 200))
  sets[[k]] <- list(readings = lapply(1:n, function(i) list(x[i], if (is.finite(low[i])) low[i] else NULL,
                                                          if (is.finite(high[i])) high[i] else NULL)),
                    bias = unname(coef(fit)), sd = fit$scale, loglik = fit$loglik[1])
}
cat(toJSON(sets, digits = 12, auto_unbox = TRUE, null = "null"), "\n")
