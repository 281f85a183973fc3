# Reference for a club brought to another length: the shaft's mass and moment by R's integrate(), the grams by its solve(). And the line of
# R's own data set `cars` by lm(). Run: Rscript tests/reference/balance.R > tests/reference/balance.json
set.seed(20)
fulcrum <- 355.6; short <- 12; grip_at <- 100; butt_at <- 20
moment <- function(head, length, m, b, grip, butt) head * (length - short - fulcrum) + m * (b - fulcrum) + grip * (grip_at - fulcrum) + butt * (butt_at - fulcrum)
cut <- function(mass, balance, length, butt, tip) {
  beta <- 6 * (0.5 - balance / length)
  rho <- function(x) mass / length * (1 + beta * (1 - 2 * x / length))
  m <- integrate(rho, butt, length - tip, rel.tol = 1e-11)$value
  b <- integrate(function(x) (x - butt) * rho(x), butt, length - tip, rel.tol = 1e-11)$value / m
  c(m, b)
}
cases <- sapply(1:20, function(i) {
  mass <- runif(1, 50, 75); length <- runif(1, 1105, 1150); balance <- length * runif(1, 0.42, 0.53)
  head <- runif(1, 192, 206); grip <- runif(1, 42, 56); playing <- length + 32
  total_cut <- runif(1, 5, 40); tip <- runif(1, 0, total_cut)
  now <- moment(head, playing, mass, balance, grip, 0); total <- head + mass + grip
  made <- cut(mass, balance, length, total_cut - tip, tip)
  to <- playing - total_cut
  a <- matrix(c(to - short - fulcrum, 1, butt_at - fulcrum, 1), 2)
  rest <- c(now - moment(head, to, made[1], made[2], grip, 0), total - head - made[1] - grip)
  both <- solve(a, rest)
  alone <- rest[1] / (to - short - fulcrum)
  sprintf('{"massG":%.10f,"balanceMm":%.10f,"lengthMm":%.10f,"headG":%.10f,"gripG":%.10f,"playingMm":%.10f,"cutMm":%.10f,"tipMm":%.10f,"cutMassG":%.10f,"cutBalanceMm":%.10f,"alone":%.10f,"both":[%.10f,%.10f]}',
    mass, balance, length, head, grip, playing, total_cut, tip, made[1], made[2], alone, both[1], both[2])
})
fit <- lm(dist ~ speed, cars); ci <- confint(fit)
line <- sprintf('{"points":[%s],"slope":%.12f,"intercept":%.12f,"error":%.12f,"low":%.12f,"high":%.12f,"sd":%.12f}',
  paste(sprintf('[%g,%g]', cars$speed, cars$dist), collapse = ','), coef(fit)[2], coef(fit)[1], summary(fit)$coefficients[2, 2], ci[2, 1], ci[2, 2], summary(fit)$sigma)
cat(sprintf('{"clubs":[\n%s\n],"cars":%s}\n', paste(cases, collapse = ',\n'), line))
