# Intervals, sizes and limits that core/src/sowing/*.spec.ts are compared with.
# Run in this folder: Rscript fixtures.R > fixtures.json
num <- function(x) paste(format(x, digits = 15, trim = TRUE, scientific = FALSE), collapse = ", ")
interval <- function(k, n, conf) {
  wilson <- suppressWarnings(prop.test(k, n, conf.level = conf, correct = FALSE)$conf.int)
  exact <- binom.test(k, n, conf.level = conf)$conf.int
  sprintf('  { "k": %d, "n": %d, "confidence": %s, "wilson": [%s], "exact": [%s] }', k, n, conf, num(wilson), num(exact))
}
# Beta-binomial chance of at least `wanted` plants, each sprout living on with chance s.
plants <- function(n, wanted, a, b, s) {
  k <- 0:n
  p <- exp(lchoose(n, k) + lbeta(k + a, n - k + b) - lbeta(a, b))
  sum(p * pbinom(wanted - 1, k, s, lower.tail = FALSE))
}
chance <- function(n, wanted, a, b, s)
  sprintf('  { "seeds": %d, "wanted": %d, "a": %s, "b": %s, "survival": %s, "chance": %.12f }', n, wanted, a, b, s, plants(n, wanted, a, b, s))
# Sprouts two to a pot, one kept: pots that hold a survivor.
pairs <- function(n, wanted, a, b, s) {
  k <- 0:n
  p <- exp(lchoose(n, k) + lbeta(k + a, n - k + b) - lbeta(a, b))
  two <- 1 - (1 - s)^2
  enough <- sapply(k, function(t) {
    full <- t %/% 2
    at_least <- pbinom(wanted - 1, full, two, lower.tail = FALSE)
    if (t %% 2 == 0) at_least else (1 - s) * at_least + s * pbinom(wanted - 2, full, two, lower.tail = FALSE)
  })
  sum(p * enough)
}
paired <- function(n, wanted, a, b, s)
  sprintf('  { "seeds": %d, "wanted": %d, "a": %s, "b": %s, "survival": %s, "chance": %.12f }', n, wanted, a, b, s, pairs(n, wanted, a, b, s))
# Smallest range of r binomial counts that holds at least 39 times in 40, by adding up every lowest and highest.
range_limit <- function(rate, size, r) {
  P <- function(lo, hi) if (hi < lo) 0 else sum(dbinom(lo:hi, size, rate))
  for (w in 0:size) {
    total <- 0
    for (lo in 0:(size - w)) {
      hi <- lo + w
      total <- total + P(lo, hi)^r - P(lo + 1, hi)^r
    }
    # Lowest counts so high that the run is cut off at the top.
    if (w > 0) for (lo in (size - w + 1):size) total <- total + P(lo, size)^r - P(lo + 1, size)^r
    if (total >= 0.975) return(w)
  }
}
limit <- function(rate, size, r) sprintf('  { "rate": %s, "seeds": %d, "replicates": %d, "range": %d }', rate, size, r, range_limit(rate, size, r))
# Fewest seeds whose Wilson interval is within so much either way.
width <- function(p, n, z = qnorm(0.975)) z / (1 + z^2 / n) * sqrt(p * (1 - p) / n + z^2 / (4 * n^2))
sample_size <- function(p, within) sprintf('  { "expected": %s, "within": %s, "seeds": %d }', p, within, which(sapply(2:1000, function(n) width(p, n)) <= within)[1] + 1L)
# Single sampling by attributes.
decision <- function(good, bad, error) {
  for (n in 2:1000) {
    c <- qbinom(1 - error, n, bad) + 1
    if (pbinom(c - 1, n, good) <= error)
      return(sprintf('  { "good": %s, "bad": %s, "error": %s, "seeds": %d, "atLeast": %d }', good, bad, error, n, c))
  }
}
block <- function(name, rows) sprintf('"%s": [\n%s\n]', name, paste(rows, collapse = ",\n"))
cat("{\n")
cat(sprintf('"made_with": "R %s.%s",\n', R.version$major, R.version$minor))
cat(paste(c(
  block("intervals", c(interval(26, 30, 0.95), interval(0, 12, 0.95), interval(45, 45, 0.9), interval(171, 200, 0.95), interval(3, 7, 0.8))),
  block("plants", c(chance(17, 12, 27, 5, 1), chance(18, 12, 27, 5, 1), chance(40, 20, 5.1, 0.9, 0.85), chance(120, 60, 3, 2.5, 0.9))),
  block("pairs", c(paired(30, 10, 27, 5, 0.8), paired(41, 15, 6, 2, 0.7))),
  block("ranges", c(limit(0.9, 25, 4), limit(0.5, 10, 4), limit(0.8, 50, 2), limit(0.95, 50, 8), limit(0.72, 15, 3))),
  block("precision", c(sample_size(0.5, 0.15), sample_size(0.8, 0.1), sample_size(0.9, 0.05), sample_size(0.3, 0.2))),
  block("decisions", c(decision(0.85, 0.6, 0.1), decision(0.7, 0.45, 0.05), decision(0.9, 0.65, 0.2)))
), collapse = ",\n"))
cat("\n}\n")
