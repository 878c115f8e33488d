# Milliseconds for one interval-censored survreg fit of the batch that bench/forecast.ts
# forecasts, and for a parametric bootstrap of 500 such fits, which answers its question:
# how many more by when, and how sure. The batch comes as pairs of days, null without an end.
suppressPackageStartupMessages(library(survival))
pairs <- gsub("\\s", "", commandArgs(TRUE)[1])
pairs <- strsplit(gsub("^\\[\\[|\\]\\]$", "", pairs), "],[", fixed = TRUE)[[1]]
pairs <- do.call(rbind, strsplit(pairs, ","))
left <- as.numeric(pairs[, 1])
right <- suppressWarnings(as.numeric(pairs[, 2]))
left[left == 0] <- NA
fit <- function(l, r) survreg(Surv(l, r, type = "interval2") ~ 1, dist = "lognormal")
for (i in 1:20) fit(left, right)
times <- replicate(60, system.time(for (i in 1:5) fit(left, right))[["elapsed"]] / 5)
set.seed(1)
model <- fit(left, right)
looks <- sort(unique(c(right[!is.na(right)], left[is.na(right)])))
boot <- function() {
  t <- exp(rnorm(length(left), coef(model), model$scale))
  l <- sapply(t, function(x) { b <- looks[looks < x]; if (length(b)) max(b) else NA })
  r <- sapply(t, function(x) { a <- looks[looks >= x]; if (length(a)) min(a) else NA })
  tryCatch(suppressWarnings(fit(l, r)), error = function(e) NULL)
}
whole <- system.time(for (i in 1:500) boot())[["elapsed"]]
cat(median(times) * 1000, whole * 1000, "\n")
