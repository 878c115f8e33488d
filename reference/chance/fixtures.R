# Chances that core/src/chance/chance.spec.ts is compared with, by R's own distributions.
# Run in this folder: Rscript fixtures.R > fixtures.json
row <- function(x) paste(sprintf("%.15g", x), collapse = ", ")
binomial <- function(n, p) sprintf('  { "n": %d, "p": %.15g, "chances": [%s] }', n, p, row(dbinom(0:n, n, p)))
# A count whose chance is itself a beta, by numerical integration: no formula in common with the code.
beta_binomial <- function(n, mean, weight) {
  a <- mean * weight
  b <- (1 - mean) * weight
  chance <- function(k) integrate(function(p) dbinom(k, n, p) * dbeta(p, a, b), 0, 1, rel.tol = 1e-10, subdivisions = 2000)$value
  sprintf('  { "n": %d, "mean": %.15g, "weight": %.15g, "chances": [%s] }', n, mean, weight, row(sapply(0:n, chance)))
}
cat("{\n")
cat(sprintf('"made_with": "R %s.%s",\n', R.version$major, R.version$minor))
cat('"binomial": [\n')
cat(paste(c(binomial(8, 0.9), binomial(1, 0.3), binomial(40, 0.02), binomial(60, 0.5)), collapse = ",\n"))
cat("\n],\n")
cat('"beta_binomial": [\n')
cat(paste(c(beta_binomial(8, 0.8, 12), beta_binomial(20, 0.6, 2.5), beta_binomial(12, 0.95, 60)), collapse = ",\n"))
cat("\n],\n")
z <- c(-8, -3.1, -1, -0.25, 0, 0.4, 1.96, 4.5, 7.9)
cat(sprintf('"normal": { "z": [%s], "below": [%s] }\n', row(z), row(pnorm(z))))
cat("}\n")
