# What core/src/trials/*.spec.ts are compared with: R's own tests, survfit's Turnbull curve with
# Finkelstein's scores and every way to draw the sides, and the indices by their definitions.
# Run in this folder: Rscript fixtures.R > fixtures.json
suppressMessages(library(survival))
row <- function(x) paste(ifelse(is.na(x), "null", ifelse(is.infinite(x), "null", sprintf("%.12g", x))), collapse = ", ")

fisher <- function(a, n, b, m) {
  table <- matrix(c(a, n - a, b, m - b), 2)
  p <- function(alternative) fisher.test(table, alternative = alternative)$p.value
  wilson <- function(k, n) suppressWarnings(prop.test(k, n, correct = FALSE)$conf.int)
  l <- wilson(a, n); u <- wilson(b, m); d <- a / n - b / m
  sprintf('  { "first": { "came": %d, "of": %d }, "second": { "came": %d, "of": %d }, "more": %s, "fewer": %s, "either": %s, "interval": [%s] }',
    a, n, b, m, row(p("greater")), row(p("less")), row(p("two.sided")),
    row(c(d - sqrt((a / n - l[1])^2 + (u[2] - b / m)^2), d + sqrt((l[2] - a / n)^2 + (b / m - u[1])^2))))
}

# Finkelstein's scores by survfit's curve: it prints midpoints, so the curve is asked at the ends of the stretches.
sides <- function(name, left, right, side) {
  all <- ifelse(is.infinite(right), NA, right)
  curve <- survfit(Surv(left, all, type = "interval2") ~ 1)
  S <- function(t) if (is.infinite(t)) 0 else min(1, curve$surv[curve$time <= t])
  xlogx <- function(x) if (x > 1e-12) x * log(x) else 0
  score <- mapply(function(l, r) (xlogx(S(l)) - xlogx(S(r))) / (S(l) - S(r)), left, right)
  centred <- score - mean(score)
  n <- sum(side == 1)
  uneven <- function(first) { s <- sum(centred[first]); s^2 / n + s^2 / (length(side) - n) }
  ways <- combn(length(side), n)
  seen <- uneven(which(side == 1))
  chance <- mean(apply(ways, 2, uneven) >= seen - 1e-9)
  sprintf('  { "name": "%s", "left": [%s], "right": [%s], "side": [%s], "scores": [%s], "ways": %d, "chance": %s }',
    name, row(left), row(right), row(side), row(score), ncol(ways), row(chance))
}

indices <- function(name, seeds, day, new) {
  n <- sum(new); up <- cumsum(new)
  at <- function(rank) approx(c(0, up), c(0, day), xout = rank, ties = min)$y
  f <- new[new > 0] / n
  sprintf('  { "name": "%s", "seeds": %d, "day": [%s], "new": [%s], "finalPercent": %s, "meanDays": %s, "t50Coolbear": %s, "t50Farooq": %s, "germinationIndex": %s, "maguire": %s, "velocity": %s, "meanRate": %s, "uncertainty": %s, "synchrony": %s }',
    name, seeds, row(day), row(new), row(100 * n / seeds), row(weighted.mean(day, new)), row(at((n + 1) / 2)), row(at(n / 2)),
    row(sum(new * (max(day) - day + 1))), row(sum(new / day)), row(100 * n / sum(new * day)), row(1 / weighted.mean(day, new)),
    row(-sum(f * log2(f))), row(sum(choose(new, 2)) / choose(n, 2)))
}

# Power of Fisher's test: all outcomes by their chance.
power <- function(n, p, q) {
  grid <- expand.grid(a = 0:n, b = 0:n)
  called <- mapply(function(a, b) fisher.test(matrix(c(a, n - a, b, n - b), 2))$p.value <= 0.05, grid$a, grid$b)
  sprintf('  { "seeds": %d, "shares": [%s], "chance": %s }', n, row(c(p, q)), row(sum(called * dbinom(grid$a, n, p) * dbinom(grid$b, n, q))))
}

# Middle seeds of those that came, found once a day; each side drawn anew from itself, and the middle half of 95 in 100.
middles <- function(name, first, second) {
  middle <- function(day) { n <- tabulate(day, 30); approx(c(0, cumsum(n) / length(day)), 0:30, xout = 0.5, ties = min)$y }
  set.seed(1)
  apart <- replicate(20000, middle(sample(first, replace = TRUE)) - middle(sample(second, replace = TRUE)))
  sprintf('  { "name": "%s", "first": [%s], "second": [%s], "medians": [%s], "interval": [%s] }',
    name, row(first), row(second), row(c(middle(first), middle(second))), row(quantile(apart, c(0.025, 0.975), type = 1)))
}

daily <- function(came) list(left = ifelse(is.infinite(came), 9, came - 1), right = came)
few <- daily(c(3, 3, 4, 4, 5, Inf, 4, 5, 5, 6, 7, Inf))
apart <- list(left = c(2, 2, 3, 3.5, 4, 8, 3, 3, 5, 5, 6, 8), right = c(3, 4, 4, 5, 5, Inf, 5, 5, 6, 7, 7, Inf))
uneven <- list(left = c(0, 1, 1, 2, 3, 3, 4, 6, 6), right = c(1, 2, 2, 3, 5, 5, Inf, Inf, Inf))

block <- function(name, rows) sprintf('"%s": [\n%s\n]', name, paste(rows, collapse = ",\n"))
cat(sprintf('{\n"made_with": "R %s.%s, survival %s",\n', R.version$major, R.version$minor, packageVersion("survival")))
cat(paste(
  block("fisher", c(fisher(3, 4, 1, 4), fisher(1, 7, 6, 8), fisher(56, 70, 48, 80), fisher(0, 12, 0, 9), fisher(20, 24, 11, 24), fisher(150, 200, 178, 200))),
  block("sides", c(
    sides("once a day", few$left, few$right, rep(1:2, each = 6)),
    sides("at times of their own", apart$left, apart$right, rep(1:2, each = 6)),
    sides("three against six", uneven$left, uneven$right, rep(1:2, c(3, 6))))),
  block("middles", c(
    middles("two dozen a side", rep(3:8, c(1, 4, 8, 5, 3, 1)), rep(4:9, c(1, 3, 6, 6, 3, 2))),
    middles("a handful", c(2, 3, 3, 4, 6), c(3, 5, 5, 6, 7, 9)))),
  block("indices", c(
    indices("most within three days", 50, 1:14, c(0, 0, 0, 0, 4, 17, 10, 7, 1, 0, 1, 0, 0, 0)),
    indices("two", 12, c(2, 4), c(1, 1)),
    indices("uneven looks", 24, c(1.5, 3, 4, 4.5, 7), c(0, 5, 6, 1, 3)))),
  block("power", c(power(12, 0.9, 0.5), power(24, 0.85, 0.6), power(40, 0.8, 0.8))),
  block("holm", { p <- c(0.04, 0.011, 0.3, 0.02); sprintf('  { "chances": [%s], "raised": [%s] }', row(p), row(p.adjust(p, "holm"))) }),
  sep = ",\n"))
cat("\n}\n")
