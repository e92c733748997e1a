# Figures of the bench, computed by base R: colours by grDevices::convertColor, straight lines by lm, hulls by chull,
# pooled spreads by aov. Run: Rscript bench.R > bench.json
set.seed(20261126)
num <- function(x) paste0("[", paste(format(x, digits = 15, trim = TRUE), collapse = ", "), "]")
rows <- function(m) paste0("[", paste(apply(m, 1, num), collapse = ",\n "), "]")

rgb <- rbind(c(0, 0, 0), c(1, 1, 1), c(1, 0, 0), c(0, 1, 0), c(0, 0, 1), matrix(round(runif(165), 3), ncol = 3))
lab <- convertColor(rgb, from = "sRGB", to = "Lab", clip = NA)

lines <- lapply(1:12, function(i) {
  buffers <- sort(c(4.01, sample(c(1.68, 6.86, 7, 9.18, 10.01, 12.45), sample(1:4, 1))))
  mv <- if (i %% 2) TRUE else FALSE
  shown <- if (mv) -58 * (buffers - 7) + rnorm(length(buffers), 4, 2) else buffers * 0.97 + 0.2 + rnorm(length(buffers), 0, 0.05)
  fit <- lm(shown ~ I(buffers - 7))
  list(mv = mv, buffers = buffers, shown = shown, slope = unname(coef(fit)[2]), at7 = unname(coef(fit)[1]), residual = max(abs(resid(fit))))
})
line <- function(l) sprintf('{"mv": %s, "buffers": %s, "shown": %s, "slope": %.15g, "at7": %.15g, "residual": %.15g}',
  tolower(l$mv), num(l$buffers), num(l$shown), l$slope, l$at7, l$residual)

groups <- lapply(1:8, function(i) {
  k <- sample(2:5, 1); n <- sample(2:4, k, replace = TRUE)
  known <- rep(4.6 + sample(280, k) / 100, n)
  middle <- pmin(7.5, pmax(4.5, round((known + rnorm(length(known), 0.1, 0.3)) * 2) / 2))
  ms <- summary(aov(middle ~ factor(known)))[[1]][["Mean Sq"]]
  list(known = known, middle = middle, bias = mean(middle - known), sd = sqrt(ms[2]), df = length(known) - length(unique(known)))
})
group <- function(g) sprintf('{"known": %s, "middle": %s, "bias": %.15g, "sd": %.15g, "df": %d}', num(g$known), num(g$middle), g$bias, g$sd, g$df)

cat('{\n"source": "Base R', as.character(getRversion()), ': convertColor, lm and aov; see bench.R.",\n')
cat('"rgb":', rows(rgb), ',\n"lab":', rows(lab), ',\n')
cat('"lines": [', paste(sapply(lines, line), collapse = ",\n "), '],\n')
cat('"groups": [', paste(sapply(groups, group), collapse = ",\n "), ']\n}\n')
