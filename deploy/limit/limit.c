/*
 * The two schemes of core/src/Heat/Conduction in C, line by line, as the limit that PHP is measured against:
 * `dithermic bench --limit`. No part of the product: it reads one case on stdin, solves it so many times, and writes
 * how long one took, in how many steps, and the temperatures, so that the two can be held side by side.
 *
 * Stack.php without pores and in slabs only: enthalpy, freezing curve, contact, SDIRK of two stages, Newton, Thomas.
 * Grid.php whole; its table of temperature and conductivity comes with the case.
 *
 *   cc -O2 -o limit limit.c -lm
 */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

enum { MOST = 400, TRIES = 12, ITERATIONS = 14 };
static const double GAMMA = 0.2928932188134524, GROWTH = 2.414213562373095, TOLERANCE_K = 2e-3;

typedef struct {
    double density, cs, cm, ks, km, fusion, start, end, freeze, hStart, hEnd;
    int hysteresis, plain;
} Substance;
typedef struct { double conductance, temperature, flux, slope; int insulated; } Face;

static double number(void)
{
    double value;
    if (scanf("%lf", &value) != 1) { fprintf(stderr, "limit: a number is missing\n"); exit(1); }
    return value;
}

static double now_ms(void)
{
    struct timespec at;
    clock_gettime(CLOCK_MONOTONIC, &at);
    return 1e3 * at.tv_sec + 1e-6 * at.tv_nsec;
}

static Substance substance(void)
{
    Substance s = {0};
    s.density = number(), s.cs = number(), s.cm = number(), s.ks = number(), s.km = number(), s.fusion = number();
    s.start = number(), s.end = number(), s.freeze = number();
    s.hysteresis = number() > 0, s.plain = number() > 0;
    s.hStart = s.plain ? INFINITY : s.cs * s.start;
    s.hEnd = s.plain ? INFINITY : s.hStart + (s.cs + s.cm) / 2 * (s.end - s.start) + s.fusion;
    return s;
}

static double enthalpy(const Substance *s, double c)
{
    if (s->plain || c <= s->start) return s->cs * c;
    if (c >= s->end) return s->hEnd + s->cm * (c - s->end);
    double x = c - s->start, slope = 1 / (s->end - s->start);
    return s->hStart + (s->cs + s->fusion * slope) * x + (s->cm - s->cs) * slope / 2 * x * x;
}

static double fluid(const Substance *s, double c)
{
    return s->plain ? 0 : fmax(0, fmin(1, (c - s->start) / (s->end - s->start)));
}

static void freezing(const Substance *s, double h, double hottest, double hHottest, double g, double *out)
{
    double spread = s->cm - s->cs, top = hottest < s->freeze ? hottest : s->freeze, c = s->cs + spread * g;
    double hTop = hHottest - c * (hottest - top);
    if (h >= hTop) { out[0] = hottest - (hHottest - h) / c, out[1] = 1 / c, out[2] = g; return; }
    double low = s->freeze - (s->end - s->start), span = top - low, rate = g / span;
    double b = s->cs + s->fusion * rate, a = spread * rate / 2, hLow = hTop - (b * span + a * span * span);
    if (h <= hLow) { out[0] = low - (hLow - h) / s->cs, out[1] = 1 / s->cs, out[2] = 0; return; }
    double y = h - hLow, root = sqrt(b * b + 4 * a * y), x = 2 * y / (b + root);
    out[0] = low + x, out[1] = 1 / root, out[2] = rate * x;
}

typedef struct {
    int n, layers, steps, from[8], to[8], inside[MOST];
    Substance of[8];
    double m[MOST], h[MOST], t[MOST], peakT[MOST], peakH[MOST], peakF[MOST], half[MOST], contact[MOST];
    double slope[MOST], r[MOST], share[MOST], other[MOST], dt, time, stepK;
    Face left, right;
} Stack;

static void properties(Stack *k, const double *hs)
{
    for (int l = 0; l < k->layers; l++) {
        const Substance *s = &k->of[l];
        double rate = s->plain ? 0 : 1 / (s->end - s->start), b = s->cs + s->fusion * rate;
        double a4 = 2 * (s->cm - s->cs) * rate;
        for (int i = k->from[l]; i < k->to[l]; i++) {
            double h = hs[i], t, slope, cond, f[3];
            if (s->plain || (h <= s->hStart && !(s->hysteresis && h < k->peakH[i] && k->peakF[i] > 0))) {
                t = h / s->cs, slope = 1 / s->cs, cond = s->ks;
            } else if (s->hysteresis && h < k->peakH[i] && k->peakF[i] > 0) {
                freezing(s, h, k->peakT[i], k->peakH[i], k->peakF[i], f);
                t = f[0], slope = f[1], cond = s->ks + (s->km - s->ks) * f[2];
            } else if (h >= s->hEnd) {
                t = s->end + (h - s->hEnd) / s->cm, slope = 1 / s->cm, cond = s->km;
            } else {
                double y = h - s->hStart, root = sqrt(b * b + a4 * y), x = 2 * y / (b + root);
                t = s->start + x, slope = 1 / root, cond = s->ks + (s->km - s->ks) * x * rate;
            }
            k->t[i] = t, k->slope[i] = slope, k->r[i] = k->half[i] / cond;
        }
    }
}

static void respond(Face *f, double cell, double resistance)
{
    if (f->insulated) return;
    double g = 1 / (resistance + 1 / f->conductance);
    f->slope = -g, f->flux = g * (f->temperature - cell);
}

static void faces(Stack *k)
{
    respond(&k->left, k->t[0], k->r[0]);
    respond(&k->right, k->t[k->n - 1], k->r[k->n - 1]);
}

static int stage(Stack *k, const double *base, double tau, const double *guess, double *h)
{
    int n = k->n;
    double upper[MOST], rhs[MOST], predicted[MOST];
    memcpy(h, guess, n * sizeof *h);
    properties(k, h);
    for (int iteration = 0; iteration < ITERATIONS; iteration++) {
        faces(k);
        double qIn = k->left.flux, gIn = 0, ownIn = k->left.slope, before = 0;
        for (int i = 0; i < n; i++) {
            double g = 0, qOut, diagonal;
            if (i < n - 1) {
                g = k->inside[i] ? k->share[i] / k->r[i] + k->other[i] / k->r[i + 1]
                                 : 1 / (k->r[i] + k->contact[i] + k->r[i + 1]);
                qOut = g * (k->t[i] - k->t[i + 1]);
                diagonal = k->m[i] + tau * (gIn + g - ownIn) * k->slope[i];
            } else {
                qOut = -k->right.flux;
                diagonal = k->m[i] + tau * (gIn - ownIn - k->right.slope) * k->slope[i];
            }
            double r = tau * (qIn - qOut) - k->m[i] * (h[i] - base[i]);
            if (i > 0) {
                double lower = -tau * gIn * before;
                diagonal -= lower * upper[i - 1];
                r -= lower * rhs[i - 1];
            }
            upper[i] = i < n - 1 ? -tau * g * k->slope[i + 1] / diagonal : 0;
            rhs[i] = r / diagonal;
            qIn = qOut, gIn = g, ownIn = 0, before = k->slope[i];
        }
        double change = 0;
        for (int i = n - 1; i >= 0; i--) {
            change = rhs[i] - (i < n - 1 ? upper[i] * change : 0);
            h[i] += change;
            predicted[i] = k->t[i] + k->slope[i] * change;
        }
        if (!isfinite(change)) return 0;
        properties(k, h);
        double worst = 0;
        for (int i = 0; i < n; i++) worst = fmax(worst, fabs(k->t[i] - predicted[i]));
        if (worst < TOLERANCE_K) { faces(k); return 1; }
    }
    return 0;
}

static void step(Stack *k, double dt)
{
    int n = k->n, solved = 0;
    double old[MOST], oldT[MOST], first[MOST], second[MOST], base[MOST], guess[MOST];
    memcpy(old, k->h, n * sizeof *old);
    memcpy(oldT, k->t, n * sizeof *oldT);
    for (int try = 0; try < TRIES && !solved; try++, dt /= solved ? 1 : 4) {
        double tau = GAMMA * dt;
        if (!stage(k, old, tau, old, first)) continue;
        for (int i = 0; i < n; i++) {
            double change = first[i] - old[i];
            base[i] = old[i] + GROWTH * change, guess[i] = old[i] + change / GAMMA;
        }
        solved = stage(k, base, tau, guess, second) || stage(k, base, tau, first, second);
    }
    if (!solved) { fprintf(stderr, "limit: no solution\n"); exit(1); }
    memcpy(k->h, second, n * sizeof *second);
    k->time += dt, k->steps++;
    double fastest = 0;
    for (int l = 0; l < k->layers; l++)
        for (int i = k->from[l]; i < k->to[l]; i++) {
            double move = fmax(fabs(k->t[i] - oldT[i]), fabs(k->h[i] - old[i]) * 0.25 / k->of[l].cm);
            fastest = fmax(fastest, move);
            if (k->t[i] > k->peakT[i])
                k->peakT[i] = k->t[i], k->peakH[i] = k->h[i], k->peakF[i] = fluid(&k->of[l], k->t[i]);
        }
    k->dt = dt * fmax(0.4, fmin(1.7, k->stepK / fmax(fastest, 1e-9)));
}

static void run(Stack *k, double end)
{
    while (k->time < end - 1e-9) {
        double left = end - k->time, dt = fmin(k->dt, left);
        if (left - dt < 0.3 * dt && dt < left - 1e-12) dt = left / 2;
        step(k, dt);
    }
}

static void stack(int times)
{
    Stack cold = {0}, k;
    cold.layers = number(), cold.stepK = number();
    double end = number();
    cold.left.insulated = 1;
    cold.right.temperature = number(), cold.right.conductance = number();
    for (int l = 0; l < cold.layers; l++) {
        Substance s = cold.of[l] = substance();
        double thickness = number(), initial, contact;
        int cells = number();
        initial = number(), contact = number();
        cold.from[l] = cold.n;
        for (int i = 0; i < cells; i++, cold.n++) {
            int at = cold.n;
            cold.m[at] = s.density * thickness / cells, cold.half[at] = thickness / cells / 2;
            cold.t[at] = cold.peakT[at] = initial, cold.h[at] = cold.peakH[at] = enthalpy(&s, initial);
            cold.peakF[at] = fluid(&s, initial), cold.inside[at] = i < cells - 1;
        }
        cold.contact[cold.n - 1] = contact > 0 ? 1 / contact : 0;
        cold.to[l] = cold.n;
    }
    for (int i = 0; i < cold.n - 1; i++) {
        double length = 2 * (cold.half[i] + cold.half[i + 1]);
        cold.share[i] = cold.half[i] / length, cold.other[i] = cold.half[i + 1] / length;
    }
    properties(&cold, cold.h);
    double quickest = INFINITY, began = now_ms();
    for (int i = 0; i < cold.n; i++)
        quickest = fmin(quickest, cold.m[i] / fmax(cold.slope[i], 1e-12) * cold.r[i]);
    cold.dt = fmax(1e-3, fmin(2, 0.5 * quickest));
    for (int i = 0; i < times; i++) k = cold, run(&k, end);
    printf("%.9f %d", (now_ms() - began) / times, k.steps);
    for (int i = 0; i < k.n; i++) printf(" %.12g", k.t[i]);
}

static double look(const double *table, double x)
{
    int i = (int)x;
    return table[i] + (table[i + 1] - table[i]) * (x - i);
}

static void grid(int times)
{
    int nx = number(), ny = number(), steps = 0, wanted = number(), size = number();
    double dx = number(), dy = number(), dt = number(), density = number(), bath = number(), conductance = number();
    double low = number(), per = number(), start = number();
    double *tt = malloc(size * sizeof *tt), *kt = malloc(size * sizeof *kt);
    double *h = malloc(nx * ny * sizeof *h), *t = malloc(nx * ny * sizeof *t), *k = malloc(nx * ny * sizeof *k);
    for (int i = 0; i < size; i++) tt[i] = number();
    for (int i = 0; i < size; i++) kt[i] = number();
    double began = now_ms(), mass = dt / (density * dx * dy), rx = dy / dx / 2 * mass, ry = dx / dy / 2 * mass, q;
    for (int n = 0; n < times; n++) {
        for (int c = 0; c < nx * ny; c++) h[c] = start;
        for (steps = 0; steps < wanted; steps++) {
            for (int c = 0; c < nx * ny; c++) t[c] = look(tt, (h[c] - low) * per), k[c] = look(kt, (h[c] - low) * per);
            for (int j = 0; j < ny; j++)
                for (int i = 0; i < nx; i++) {
                    int c = j * nx + i;
                    if (i < nx - 1) q = rx * (k[c] + k[c + 1]) * (t[c] - t[c + 1]), h[c] -= q, h[c + 1] += q;
                    else h[c] += mass * dy * (bath - t[c]) / (dx / 2 / k[c] + 1 / conductance);
                    if (j < ny - 1) q = ry * (k[c] + k[c + nx]) * (t[c] - t[c + nx]), h[c] -= q, h[c + nx] += q;
                    else h[c] += mass * dx * (bath - t[c]) / (dy / 2 / k[c] + 1 / conductance);
                }
        }
    }
    printf("%.9f %d", (now_ms() - began) / times, steps);
    for (int c = 0; c < nx * ny; c++) printf(" %.12g", look(tt, (h[c] - low) * per));
}

int main(void)
{
    char which[8];
    if (scanf("%7s", which) != 1) return 1;
    int times = number();
    if (strcmp(which, "stack") == 0) stack(times); else grid(times);
    printf("\n");
    return 0;
}
