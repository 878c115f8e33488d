# The posterior by brute force, for core/src/forecast/quadrature.spec.ts: a plain dense grid over
# everything, R's own distribution functions, no recentring, no pruning, no tables.
# Run in this folder: Rscript grid.R > grid.json (a few minutes).
PRIOR <- list(share = list(mean = 0.8, weight = 6), median = list(mean = log(4), sd = 0.4), spread = list(median = 0.28, sd = 0.4, tight = 0.15, by = 1))
LAWS <- data.frame(
  kernel = c("lognormal", "lognormal", "lognormal", "weibull", "weibull", "gompertz", "gompertz", "two_crowds"),
  stragglers = c(0.01, 0.08, 0.25, 0.02, 0.15, 0.01, 0.1, 0),
  weight = c(0.19, 0.16, 0.1, 0.14, 0.14, 0.09, 0.09, 0.09))
KEEPS <- 0.7
KAPPA <- 16
SMALL_LOT <- 12

# Share of the living that has tipped by a progress, for a whole vector of log medians.
crowd <- function(kernel, p, m, s) {
  d <- log(p) - m
  b <- pi / (sqrt(6) * s)
  switch(kernel,
    lognormal = pnorm(d / s),
    weibull = 1 - exp(-log(2) * exp(d * b)),
    gompertz = 1 - exp(-log(2) * expm1(b * exp(d)) / expm1(b)),
    two_crowds = 0.65 * pnorm(d / s) + 0.35 * pnorm((d - 0.8) / sqrt(s^2 + 0.15^2)))
}
tipped <- function(law, p, m, s) {
  if (p <= 0) return(0 * m)
  if (is.infinite(p)) return(0 * m + 1)
  (1 - law$stragglers) * crowd(law$kernel, p, m, s) + law$stragglers * pnorm((log(p) - m - 0.9) / sqrt(s^2 + 0.6^2))
}
rising <- function(x, n) lgamma(x + n) - lgamma(x)

# A posterior that many tips have narrowed wants finer steps; of a wide one they would only cost time.
solve_case <- function(case) {
  many <- sum(vapply(case$tips, function(t) t$count, 0)) > 15
  n_median <- if (many) 200 else 90; n_spread <- if (many) 50 else 36; n_share <- if (many) 160 else 90
  origins <- if (is.null(case$origins)) list(list(at = 0, weight = 1)) else case$origins
  q <- case$quiet$count
  groups <- c(case$removed, list(case$quiet))
  seeds <- q + sum(vapply(case$tips, function(t) t$count, 0)) + sum(vapply(case$removed, function(g) g$count, 0))
  through <- !is.null(case$quiet$leads) || any(vapply(case$tips, function(t) !is.null(t$noticed), TRUE))
  m <- PRIOR$median$mean + PRIOR$median$sd * (-4.5 + 9 * ((1:n_median) - 0.5) / n_median)
  ls <- log(PRIOR$spread$median) + seq(-3.2, 2, length.out = n_spread)
  v <- sin(((1:n_share) - 0.5) / n_share * pi / 2)^2
  prior_v <- log(0.96 * dbeta(v, PRIOR$share$mean * PRIOR$share$weight, (1 - PRIOR$share$mean) * PRIOR$share$weight) + 0.04 * dbeta(v, 0.6, 15)) + log(2 * sqrt(v * (1 - v)))
  prior_s <- log((1 - PRIOR$spread$tight) * dnorm(ls, log(PRIOR$spread$median), PRIOR$spread$sd) + PRIOR$spread$tight * dnorm(ls, log(PRIOR$spread$median) - PRIOR$spread$by, PRIOR$spread$sd))
  known <- vapply(groups, function(g) sum(vapply(case$tips, function(t) if (t$to > g$at) t$count else 0, 0)) + sum(vapply(groups, function(h) if (h$at > g$at) h$count else 0, 0)), 0)
  cells <- list()
  for (l in seq_len(nrow(LAWS))) for (j in seq_along(ls)) {
    law <- LAWS[l, ]; s <- exp(ls[j])
    F <- function(p) Reduce(`+`, lapply(origins, function(o) o$weight * (if (p > o$at) tipped(law, p - o$at, m, s) else 0 * m)))
    whole <- sum(vapply(origins, function(o) if (is.finite(o$at)) o$weight else 0, 0))
    found <- lapply(case$tips, function(t) if (is.null(t$noticed)) F(t$to) - F(t$from) else Reduce(`+`, lapply(t$noticed, function(n) n$weight * (F(n$to) - F(n$from)))))
    seen <- lapply(groups, function(g) { o <- F(g$at); if (is.null(g$leads)) o else o + Reduce(`+`, lapply(g$leads, function(e) e$weight * pmax(F(max(g$through - e$lead, g$at)) - o, 0))) })
    last <- seen[[length(seen)]]
    base <- log(law$weight) + prior_s[j] + matrix(dnorm(m, PRIOR$median$mean, PRIOR$median$sd, log = TRUE), n_median, n_share) + matrix(prior_v, n_median, n_share, byrow = TRUE)
    V <- matrix(v, n_median, n_share, byrow = TRUE)
    plain <- base; loose <- base - rising(KAPPA, seeds)
    for (i in seq_along(case$tips)) {
      x <- V * pmax(found[[i]], 1e-300); n <- case$tips[[i]]$count
      plain <- plain + n * log(x)
      loose <- loose + rising(KAPPA * x, n)
    }
    for (i in seq_along(groups)) {
      stays <- 1 - V * seen[[i]]; n <- groups[[i]]$count
      if (n == 0) next
      plain <- plain + n * log(stays)
      loose <- loose + rising(KAPPA * stays + known[i], n)
    }
    gain <- pmax(F(case$by) - last, 0); end <- whole - last
    keep <- function(logw, kappa) list(logw = as.vector(logw), kappa = kappa, now = as.vector(V * gain / (1 - V * last)), end = as.vector(V * end / (1 - V * last)), alive = as.vector(V * (1 - last) / (1 - V * last)), beyond = as.vector(1 - V * last))
    cells[[length(cells) + 1]] <- keep(plain, Inf)
    cells[[length(cells) + 1]] <- keep(loose, KAPPA)
  }
  # Small lots, and what was read through the bag, keep to their law.
  if (through || seeds <= SMALL_LOT) cells <- Filter(function(c) is.infinite(c$kappa), cells)
  top <- max(vapply(cells, function(c) max(c$logw), 0))
  result <- list(now = numeric(q + 1), end = numeric(q + 1), plain_now = numeric(q + 1), plain_end = numeric(q + 1))
  total <- 0; total_plain <- 0; alive <- 0
  add <- function(into, w, p, kappa, beyond) {
    if (is.infinite(kappa)) for (k in 0:q) into[k + 1] <- into[k + 1] + sum(w * dbinom(k, q, p))
    else {
      p <- pmin(pmax(p, 1e-12), 1 - 1e-12)
      a <- kappa * beyond * p; b <- kappa * beyond * (1 - p); all <- lbeta(a, b)
      for (k in 0:q) into[k + 1] <- into[k + 1] + sum(w * exp(lchoose(q, k) + lbeta(a + k, b + q - k) - all))
    }
    into
  }
  for (c in cells) {
    raw <- exp(c$logw - top)
    keep <- raw > 1e-7
    if (!any(keep)) next
    use <- function(x) x[keep]
    if (is.infinite(c$kappa)) {
      w <- use(raw)
      total_plain <- total_plain + sum(w)
      result$plain_now <- add(result$plain_now, w, use(c$now), Inf, NULL)
      result$plain_end <- add(result$plain_end, w, use(c$end), Inf, NULL)
    }
    w <- use(raw) * (if (through || seeds <= SMALL_LOT) 1 else if (is.infinite(c$kappa)) KEEPS else 1 - KEEPS)
    kappa <- c$kappa
    total <- total + sum(w)
    alive <- alive + sum(w * use(c$alive))
    result$now <- add(result$now, w, use(c$now), kappa, use(c$beyond))
    result$end <- add(result$end, w, use(c$end), kappa, use(c$beyond))
  }
  list(alive = alive / total, now = result$now / total, end = result$end / total, plain_now = result$plain_now / total_plain, plain_end = result$plain_end / total_plain)
}

tip <- function(from, to, count, noticed = NULL) list(from = from, to = to, count = count, noticed = noticed)
span <- function(from, to, weight) list(from = from, to = to, weight = weight)
none <- list()
leads <- list(list(lead = 0.1, weight = 0.25), list(lead = 0.4, weight = 0.25), list(lead = 1, weight = 0.25))
cases <- list(
  list(name = "eight seeds, three came", tips = list(tip(2.5, 3, 1), tip(3, 3.5, 2)), removed = none, quiet = list(at = 3.5, count = 5), by = 4.2),
  list(name = "twelve seeds before any look", tips = none, removed = none, quiet = list(at = 0, count = 12), by = 4),
  list(name = "twelve seeds, half came", tips = list(tip(2.5, 3, 1), tip(3, 3.5, 2), tip(3.5, 4, 3)), removed = none, quiet = list(at = 4, count = 6), by = 4.6),
  list(name = "twelve seeds, silent for long", tips = none, removed = none, quiet = list(at = 9, count = 12), by = 11),
  list(name = "twelve seeds, some held back, a part for good", origins = list(list(at = 0, weight = 0.2), list(at = 3, weight = 0.5), list(at = Inf, weight = 0.3)), tips = list(tip(3, 4, 1), tip(6, 7, 2)), removed = none, quiet = list(at = 7, count = 9), by = 9),
  list(name = "twelve seeds, read through the bag", tips = list(tip(0, 3.5, 2, list(span(0, 3.4, 0.25), span(0, 3.1, 0.25), span(0, 2.5, 0.25))), tip(3, 4.2, 3, list(span(3.4, 4.1, 0.25), span(3.1, 3.8, 0.25), span(2.5, 3.2, 0.25)))), removed = none, quiet = list(at = 0, count = 7, through = 4.2, leads = leads), by = 5),
  list(name = "sixty seeds, well under way", tips = list(tip(2.5, 3, 4), tip(3, 3.5, 9), tip(3.5, 4, 11), tip(4, 4.5, 7)), removed = none, quiet = list(at = 4.5, count = 29), by = 5.2),
  list(name = "sixty seeds, some of them rotten", tips = list(tip(2, 3, 6), tip(3, 4, 17), tip(4, 5, 12)), removed = list(list(at = 3, count = 3), list(at = 4, count = 2)), quiet = list(at = 5, count = 20), by = 6.5),
  list(name = "sixty seeds, no tip yet", tips = none, removed = none, quiet = list(at = 3.5, count = 60), by = 4.2),
  list(name = "sixty seeds, read through the bag", tips = list(tip(0, 3.5, 8, list(span(0, 3.4, 0.25), span(0, 3.1, 0.25), span(0, 2.5, 0.25))), tip(3, 4.2, 12, list(span(3.4, 4.1, 0.25), span(3.1, 3.8, 0.25), span(2.5, 3.2, 0.25)))), removed = none, quiet = list(at = 0, count = 40, through = 4.2, leads = leads), by = 5),
  list(name = "a hundred seeds in two flushes", tips = list(tip(2, 3, 38), tip(3, 4, 8), tip(4, 5.5, 3), tip(5.5, 6.5, 15)), removed = none, quiet = list(at = 6.5, count = 36), by = 8),
  list(name = "two hundred seeds, well under way", tips = list(tip(2.5, 3, 14), tip(3, 3.5, 26), tip(3.5, 4, 35), tip(4, 4.5, 28)), removed = none, quiet = list(at = 4.5, count = 97), by = 5.2),
  list(name = "two hundred seeds, nearly done", tips = list(tip(0, 3, 60), tip(3, 4, 50), tip(4, 5, 30), tip(5, 7, 20), tip(7, 9, 4)), removed = list(list(at = 5, count = 6)), quiet = list(at = 9, count = 30), by = 12),
  list(name = "two hundred seeds, read through the bag", tips = list(tip(0, 3.5, 25, list(span(0, 3.4, 0.25), span(0, 3.1, 0.25), span(0, 2.5, 0.25))), tip(3, 4.2, 45, list(span(3.4, 4.1, 0.25), span(3.1, 3.8, 0.25), span(2.5, 3.2, 0.25)))), removed = none, quiet = list(at = 0, count = 130, through = 4.2, leads = leads), by = 5))

num <- function(x) ifelse(is.infinite(x), "null", format(signif(x, 6), scientific = FALSE, trim = TRUE))
json <- function(x) {
  if (is.null(x)) "null"
  else if (is.character(x)) sprintf('"%s"', x)
  else if (is.list(x) && is.null(names(x))) sprintf("[%s]", paste(vapply(x, json, ""), collapse = ", "))
  else if (is.list(x)) { x <- x[!vapply(x, is.null, TRUE)]; sprintf("{ %s }", paste(sprintf('"%s": %s', names(x), vapply(x, json, "")), collapse = ", ")) }
  else if (length(x) == 1) num(x)
  else sprintf("[%s]", paste(num(round(x, 7)), collapse = ", "))
}
only <- commandArgs(trailingOnly = TRUE)
rows <- vapply(cases, function(case) {
  if (length(only) > 0 && !grepl(only[1], case$name)) return("")
  message(case$name)
  json(c(case, list(expected = solve_case(case))))
}, "")
cat(sprintf('{\n"made_with": "R %s.%s",\n"prior": %s,\n"cases": [\n%s\n]}\n', R.version$major, R.version$minor, json(PRIOR), paste(rows[rows != ""], collapse = ",\n")))
