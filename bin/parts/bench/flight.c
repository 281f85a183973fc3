/* The same integration as core/Flight/BallFlight in plain C, for comparison in bin/bench: Dormand-Prince 5(4), tolerance 3e-3, first step 0.3 s,
 * landing and apex by Newton iteration on the step. Prints flights per second. Bounce and roll are left out here and said so. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

static double k, still, of_spin, half, knee2, spun, crisis, slowest, per_re, g = 9.80665, R = 0.021335, sx, sy, sz, decay;

static void rate(double vx, double vy, double vz, double w, double *a) {
    double u2 = vx * vx + vy * vy + vz * vz, u = sqrt(u2);
    double cx = sy * vz - sz * vy, cy = sz * vx - sx * vz, cz = sx * vy - sy * vx, p = R * w * sqrt(cx * cx + cy * cy + cz * cz);
    double p2 = p * p, u4 = u2 * u2, past = slowest + u4 * per_re, lift = of_spin * w * u2 / (p + half * u2);
    double drag = u * (still + p2 * (spun * past + crisis) / ((p2 + knee2 * u4) * past));
    a[0] = lift * cx - drag * vx; a[1] = lift * cy - drag * vy; a[2] = lift * cz - drag * vz - g; a[3] = -decay * w * u;
}

static double step(const double *v, const double a[8][4], double h, double vs[8][4], double as[8][4], double *dx) {
    static const double A[8][7] = {{0}, {0}, {0, 1 / 5.}, {0, 3 / 40., 9 / 40.}, {0, 44 / 45., -56 / 15., 32 / 9.}, {0, 19372 / 6561., -25360 / 2187., 64448 / 6561., -212 / 729.},
        {0, 9017 / 3168., -355 / 33., 46732 / 5247., 49 / 176., -5103 / 18656.}, {0, 35 / 384., 0, 500 / 1113., 125 / 192., -2187 / 6784., 11 / 84.}};
    static const double E[8] = {0, 71 / 57600., 0, -71 / 16695., 71 / 1920., -17253 / 339200., 22 / 525., -1 / 40.};
    int i, j, q;
    for (q = 0; q < 4; q++) { vs[1][q] = v[q]; as[1][q] = a[1][q]; }
    for (i = 2; i < 8; i++) {
        for (q = 0; q < 4; q++) { double s = 0; for (j = 1; j < i && j < 7; j++) s += A[i][j] * as[j][q]; vs[i][q] = v[q] + h * s; }
        rate(vs[i][0], vs[i][1], vs[i][2], vs[i][3], as[i]);
    }
    double e = 0;
    for (q = 0; q < 3; q++) {
        double s = 0, ep = 0, ev = 0;
        for (j = 1; j < 7; j++) s += A[7][j] * vs[j][q];
        for (j = 1; j < 8; j++) { ep += E[j] * vs[j][q]; ev += E[j] * as[j][q]; }
        dx[q] = h * s; e += ep * ep + ev * ev;
    }
    return h * sqrt(e);
}

static double fly(double speed, double launch, double spin, double axis) {
    double el = launch * M_PI / 180, ax = axis * M_PI / 180, v[4] = {speed * cos(el), 0, speed * sin(el), spin * M_PI / 30}, a[8][4], vs[8][4], as[8][4], dx[3], x = 0, z = 0, h = 0.3;
    int seek = 0, top = 0, n; double resume = 0;
    sx = sin(ax) * sin(el); sy = -cos(ax); sz = -sin(ax) * cos(el);
    rate(v[0], v[1], v[2], v[3], a[1]);
    for (n = 0; n < 2000; n++) {
        double err = step(v, a, h, vs, as, dx), grow = 1, nz = z + dx[2];
        if (seek == 0) {
            if (err > 3e-3) { h *= fmax(0.2, 0.9 * pow(3e-3 / err, 0.2)); continue; }
            grow = fmin(4, 0.9 * pow(3e-3 / err, 0.2));
            if (!top && vs[7][2] <= 0) { seek = 1; resume = h; h *= v[2] / (v[2] - vs[7][2]); continue; }
            if (vs[7][2] < 0 && nz <= 0) { seek = 2; h *= z / (z - nz); continue; }
        } else if (seek == 1) {
            if (fabs(vs[7][2]) > 1e-6) { h -= vs[7][2] / as[7][2]; continue; }
            top = 1; seek = 0; grow = fmax(0.05, resume / h - 1);
        } else if (fabs(nz) > 1e-7) { h -= nz / vs[7][2]; continue; }
        x += dx[0]; z = nz;
        for (int q = 0; q < 4; q++) { v[q] = vs[7][q]; a[1][q] = as[7][q]; }
        if (seek == 2) break;
        h *= grow;
    }
    return x;
}

int main(void) {
    k = 1.2077 * M_PI * R * R / (2 * 0.04593); decay = 2e-5 / R;
    still = k * 0.1619; of_spin = k * R * 0.5031; half = 0.1981; knee2 = 0.1203 * 0.1203; spun = k * 0.1376; crisis = k * 0.0455;
    slowest = pow(0.4759, 4); per_re = pow(2e-5 * R * 1.2077 / 1.8038e-5, 4);
    int n = 200000; double sum = 0; struct timespec s, e;
    clock_gettime(CLOCK_MONOTONIC, &s);
    for (int i = 0; i < n; i++) sum += fly(55 + (i % 1000) * 0.02, 8 + i % 10, 1800 + 3 * (i % 500), i % 7 - 3);
    clock_gettime(CLOCK_MONOTONIC, &e);
    printf("%.0f\n", n / ((e.tv_sec - s.tv_sec) + (e.tv_nsec - s.tv_nsec) / 1e9));
    return sum > 0 ? 0 : 1;
}
