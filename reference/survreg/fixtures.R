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
cat("\n],\n")
# Non-parametric curves (Turnbull) with overlapping intervals: the survival left at the ends where it is settled.
curve <- function(name, left, right, count, at) {
  times <- rep(seq_along(left), count)
  fit <- survfit(Surv(left[times], right[times], type = "interval2") ~ 1)
  # survfit puts each drop at the middle of its interval; between intervals the curve is what it is.
  surv <- sapply(at, function(t) { s <- fit$surv[fit$time <= t]; if (length(s) == 0) 1 else tail(s, 1) })
  row <- function(x) paste(ifelse(is.na(x), "null", format(x, digits = 15, trim = TRUE)), collapse = ", ")
  sprintf('  { "name": "%s", "left": [%s], "right": [%s], "count": [%s], "at": [%s], "surviving": [%s] }', name, row(left), row(right), row(count), row(at), row(surv))
}
cat('"curves": [\n')
cat(paste(c(
  curve("looks in step", c(0, 1, 2, 3, 4), c(1, 2, 3, 4, NA), c(2, 5, 6, 3, 4), c(1, 2, 3, 4)),
  curve("two people, looks out of step", c(0, 1, 1, 2, 2, 4, 3, 6), c(2, 3, 4, 3, 5, 6, 7, NA), c(3, 4, 2, 5, 3, 2, 2, 3), c(1, 3, 5, 7)),
  curve("away in the middle", c(0, 2, 2, 8, 5, 9), c(2, 8, 5, 9, 10, NA), c(1, 7, 3, 2, 4, 2), c(2, 5, 8, 10))
), collapse = ",\n"))
cat("\n]}\n")
