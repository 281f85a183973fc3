# Reference values for the finder, by R's own linear algebra, distributions and optimiser. Rscript tests/reference/finder.R > tests/reference/finder.json
# 1. linear-normal update (Gelman et al., "Bayesian Data Analysis", ch. 14; from memory)  2. Pareto front by brute force  3. strokes of a normal cloud of drives, and the best aim within 4 degrees
# The strokes table is Broadie's (2014, from memory), as in core/Fitting/ExpectedStrokes.php, for a scratch player.
set.seed(20261123)
json <- function(x) {
  if (is.list(x)) {
    if (!is.null(names(x))) paste0("{", paste0('"', names(x), '": ', sapply(x, json), collapse = ", "), "}")
    else paste0("[", paste(sapply(x, json), collapse = ", "), "]")
  } else if (is.matrix(x)) json(lapply(seq_len(nrow(x)), function(i) x[i, ]))
  else if (is.character(x)) paste0('"', x, '"')
  else if (length(x) == 1) format(x, digits = 15) else paste0("[", paste(format(x, digits = 15, trim = TRUE), collapse = ", "), "]")
}

n <- 14; p <- 6
X <- round(matrix(rnorm(n * p), n, p), 3); y <- round(rnorm(n, 1), 3); m <- round(rnorm(p), 3); s <- c(3, 2, 1, .5, .3, .1); v <- .7
L <- diag(1 / s^2) + t(X) %*% X / v
update <- list(X = X, y = y, priorMean = m, priorSd = s, noise = v, mean = as.vector(solve(L, m / s^2 + t(X) %*% y / v)), sd = sqrt(diag(solve(L))))

carry <- round(runif(60, 170, 230), 2); share <- round(.9 - (carry - 170) / 120 + runif(60, -.2, .05), 4)
front <- which(sapply(1:60, function(i) !any(carry > carry[i] & share >= share[i] | carry >= carry[i] & share > share[i])))
pareto <- list(carry = carry, share = share, front = front[order(carry[front])] - 1)

yards <- seq(100, 600, 20)
fairway <- c(2.80,2.85,2.91,2.98,3.08,3.19,3.32,3.45,3.58,3.69,3.78,3.84,3.88,3.95,4.03,4.11,4.15,4.20,4.29,4.40,4.53,4.66,4.78,4.86,4.91,4.94)
rough <- c(3.02,3.08,3.15,3.23,3.31,3.42,3.53,3.64,3.74,3.83,3.90,3.95,4.02,4.11,4.21,4.30,4.34,4.39,4.48,4.59,4.72,4.85,4.97,5.05,5.10,5.13)
at <- function(column, metres) approx(yards, column, metres / .9144)$y
hole <- 370; half <- 16; water <- 24
cost <- function(side, sd, total) {
  left <- hole - total; f <- at(fairway, left); r <- at(rough, left)
  wet <- pnorm(-water, side, sd); inside <- pnorm(half, side, sd) - pnorm(-half, side, sd)
  1 + inside * f + wet * (1 + r) + (1 - inside - wet) * r
}
cases <- expand.grid(side = c(-25, -8, 0, 6, 30), sd = c(9, 16, 24), total = c(201, 233))
drives <- lapply(seq_len(nrow(cases)), function(i) {
  k <- cases[i, ]; reach <- 4 * pi / 180 * k$total
  # The valley may be flat: look along it first, then closely.
  grid <- seq(-reach, reach, length.out = 401); g <- grid[which.min(sapply(grid, function(d) cost(k$side + d, k$sd, k$total)))]
  best <- optimize(function(d) cost(k$side + d, k$sd, k$total), c(max(-reach, g - 2), min(reach, g + 2)), tol = 1e-9)$objective
  list(side = k$side, sd = k$sd, total = k$total, held = cost(k$side, k$sd, k$total), free = min(best, cost(k$side - reach, k$sd, k$total), cost(k$side + reach, k$sd, k$total)), share = pnorm(half, k$side, k$sd) - pnorm(-half, k$side, k$sd))
})
cat(json(list(update = update, pareto = pareto, drives = drives)), "\n")
