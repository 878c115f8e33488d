# A stated synthetic station: daily minima of 24 years, made so that some springs and autumns have no hard frost.
# Writes station.csv, and in frost.json what R says of it: the last day of spring and the first of autumn at or
# below a threshold, by year, and their quantiles of type 6 (Weibull; Hyndman and Fan 1996).
# Run: Rscript station.R   (made with R 4.2.2)
set.seed(5)
days <- seq(as.Date("1999-01-01"), as.Date("2022-12-31"), by = "day")
doy <- as.integer(format(days, "%j"))
season <- 6.2 - 8.4 * cos(2 * pi * (doy - 23) / 365.25)
year <- as.integer(format(days, "%Y"))
shift <- rnorm(length(unique(year)), 0, 0.7)[year - min(year) + 1]
noise <- as.numeric(arima.sim(list(ar = 0.62), n = length(days), sd = 2.1))
low <- round(season + shift + noise, 1)
low[sample(length(low), 60)] <- NA
write.csv(data.frame(date = format(days), tmin_C = low), "station.csv", row.names = FALSE, quote = FALSE, na = "")

of <- function(threshold) {
  cold <- !is.na(low) & low <= threshold
  years <- sort(unique(year))
  spring <- sapply(years, function(y) {
    own <- cold & days >= as.Date(paste0(y, "-01-15")) & days < as.Date(paste0(y, "-07-15"))
    if (any(own)) as.integer(max(days[own]) - as.Date(paste0(y, "-01-01"))) else -Inf
  })
  autumn <- sapply(years, function(y) {
    own <- cold & days >= as.Date(paste0(y, "-07-15")) & days < as.Date(paste0(y + 1, "-01-15"))
    if (any(own)) as.integer(min(days[own]) - as.Date(paste0(y, "-01-01"))) else Inf
  })
  at <- function(x, p) { q <- suppressWarnings(quantile(x, p, type = 6, names = FALSE)); if (is.finite(q)) q else NA }
  p <- c(0.1, 0.25, 0.5, 0.75, 0.9)
  list(threshold = threshold,
       spring = spring[is.finite(spring)], springNone = sum(!is.finite(spring)), springAt = sapply(p, function(q) at(spring, q)),
       autumn = autumn[is.finite(autumn)], autumnNone = sum(!is.finite(autumn)), autumnAt = sapply(p, function(q) at(autumn, q)))
}
json <- function(x) if (is.list(x)) paste0("{", paste(sprintf('"%s":%s', names(x), sapply(x, json)), collapse = ","), "}") else {
  v <- ifelse(is.na(x), "null", format(x, digits = 12, trim = TRUE)); if (length(x) == 1) v else paste0("[", paste(v, collapse = ","), "]") }
sets <- lapply(c(0, -2, -4, -6, -9), of)
writeLines(paste0('{"R":"', R.version$major, ".", R.version$minor, '","shares":[0.1,0.25,0.5,0.75,0.9],"sets":[', paste(sapply(sets, json), collapse = ","), "]}"), "frost.json")
