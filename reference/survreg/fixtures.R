# Interval-censored fits that core/src/forecast/likelihood.spec.ts is compared with.
# Run in this folder: Rscript fixtures.R > fixtures.json
suppressPackageStartupMessages(library(survival))
fixture <- function(name, left, right, count) {
  times <- rep(seq_along(left), count)
  surv <- Surv(left[times], right[times], type = "interval2")
  fit <- survreg(surv ~ 1, dist = "lognormal")
  row <- function(x) paste(ifelse(is.na(x), "null", format(x, digits = 15, trim = TRUE)), collapse = ", ")
  sprintf('  { "name": "%s", "left": [%s], "right": [%s], "count": [%s], "mu": %.10f, "sigma": %.10f, "logLik": %.10f }',
    name, row(left), row(right), row(count), unname(coef(fit)), fit$scale, fit$loglik[1])
}
cat("{\n")
cat(sprintf('"made_with": "R %s.%s, survival %s",\n', R.version$major, R.version$minor, packageVersion("survival")))
cat('"fixtures": [\n')
cat(paste(c(
  # Twice-daily looks, three seeds still quiet at the last one.
  fixture("twice daily", c(2, 2.5, 3, 3.5, 4, 5, 6), c(2.5, 3, 3.5, 4, 5, 6, NA), c(2, 4, 5, 4, 3, 3, 3)),
  # A household that was away: few, wide intervals, and tips before the first look (left-censored).
  fixture("looked at late", c(NA, 1.5, 4, 9, 14), c(1.5, 4, 9, 14, NA), c(1, 6, 11, 4, 2))
), collapse = ",\n"))
cat("\n]}\n")
