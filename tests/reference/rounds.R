# Reference shares from R. Run: Rscript tests/reference/rounds.R > tests/reference/rounds.json
hit <- c(0, 1, 7, 14, 21, 42, 33, 9)
of  <- c(14, 14, 14, 14, 42, 42, 60, 13)
num <- function(x) paste0("[", paste(format(x, digits = 15, scientific = FALSE, trim = TRUE), collapse = ", "), "]")
exact <- mapply(function(h, n) binom.test(h, n)$conf.int, hit, of)
score <- mapply(function(h, n) prop.test(h, n, correct = FALSE)$conf.int, hit, of)
# Newcombe's method 10 from R's own score intervals: 21 of 42 before, 29 of 42 after.
w <- function(h, n) prop.test(h, n, correct = FALSE)$conf.int
a <- w(21, 42); b <- w(29, 42); p <- 21 / 42; q <- 29 / 42
one <- c(0, 2, 5, 9, 1); other <- c(5, 8, 5, 3, 12)
split <- mapply(function(k, m) binom.test(k, k + m)$p.value, one, other)
cat("{\n")
cat('"hit":', num(hit), ',\n"of":', num(of), ',\n')
cat('"exact_low":', num(exact[1, ]), ',\n"exact_high":', num(exact[2, ]), ',\n')
cat('"score_low":', num(score[1, ]), ',\n"score_high":', num(score[2, ]), ',\n')
cat('"one":', num(one), ',\n"other":', num(other), ',\n"split":', num(split), "\n}\n")
