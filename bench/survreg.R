# Milliseconds for one interval-censored survreg fit of the batch that bench/forecast.ts forecasts.
suppressPackageStartupMessages(library(survival))
left <- c(NA, rep(c(7.5, 8, 8.5, 9, 9.5, 10), c(1, 2, 3, 2, 1, 1)), 10, 10)[-1]
right <- c(rep(c(8, 8.5, 9, 9.5, 10, 10.5), c(1, 2, 3, 2, 1, 1)), NA, NA)
y <- Surv(left, right, type = "interval2")
for (i in 1:20) survreg(y ~ 1, dist = "lognormal")
times <- replicate(100, system.time(for (i in 1:5) survreg(y ~ 1, dist = "lognormal"))[["elapsed"]] / 5)
cat(median(times) * 1000, "\n")
