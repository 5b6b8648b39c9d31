/* The store solver's arithmetic written down plainly: a drum of dry sand of 12 rings by 14 layers,
   heat content by a table at whole degrees, implicit sweeps upward and then outward. Prints
   microseconds a step and the mean at the end, to be set beside SolverBench's. */
#include <math.h>
#include <stdio.h>
#include <time.h>

enum { NI = 12, NL = 14, N = NI * NL, LOW = -90, PIECES = 1490 };
static double table[PIECES + 1], slope[PIECES];
static double t[N], h[N], m[N], c[N], inertia[N], s[N], ratio[N], across[N], upward[N];
static double plan[NI], outer[NL];

static double quartz(double x) { /* Shomate's lower half, J/kg above 0 C, scaled to 745 at 20 C */
  static const double k[6] = {-6.076591, 251.6755, -324.7964, 168.5604, 0.002548, -6.8325};
  double a = (x + 273.15) / 1000, b = 0.27315;
  double ha = a * (k[0] + a * (k[1] / 2 + a * (k[2] / 3 + a * k[3] / 4))) - k[4] / a;
  double hb = b * (k[0] + b * (k[1] / 2 + b * (k[2] / 3 + b * k[3] / 4))) - k[4] / b;
  return (ha - hb) * 1000 / 0.0600843 * 745 / 737.8;
}
static int piece(double x) { int i = (int)(x - LOW); return i < 0 ? 0 : i >= PIECES ? PIECES - 1 : i; }
static double content(double x) { int i = piece(x); return table[i] + slope[i] * (x - LOW - i); }
static double warmth(double j, double near) {
  int i = piece(near);
  while (i > 0 && j < table[i]) i--;
  while (i < PIECES - 1 && j >= table[i + 1]) i++;
  return LOW + i + (j - table[i]) / slope[i];
}
static double bare(double surface, double air, int up) {
  double e = fmax(0.5, fabs(surface - air)), a = air + 273.15, b = surface + 273.15;
  return (up ? 1.52 : 1.31) * cbrt(e) + 0.9 * 5.670374419e-8 * (a * a + b * b) * (a + b);
}
static double edge(double x) { return 1.35 * x - 0.35 * x * x; }

int main(void) {
  double r[NI + 1], z[NL + 1], k = 0.30, rho = 1550, dt = 60, air = 5;
  for (int i = 0; i <= PIECES; i++) table[i] = quartz(LOW + i < 570 ? LOW + i : 570) + (LOW + i < 570 ? 0 : 1100.0 * (LOW + i - 570));
  for (int i = 0; i < PIECES; i++) slope[i] = table[i + 1] - table[i];
  for (int i = 0; i <= NI; i++) r[i] = 0.35 * edge((double)i / NI);
  for (int i = 0; i <= NL; i++) { double x = (double)i / NL; z[i] = 0.9 * (x - 0.06 * sin(2 * M_PI * x)); }
  double rc[NI], zc[NL];
  for (int i = 0; i < NI; i++) { rc[i] = (r[i] + r[i + 1]) / 2; plan[i] = M_PI * (r[i + 1] * r[i + 1] - r[i] * r[i]); }
  rc[0] = r[1] / sqrt(2);
  for (int l = 0; l < NL; l++) { zc[l] = (z[l] + z[l + 1]) / 2; outer[l] = 2 * M_PI * r[NI] * (z[l + 1] - z[l]); }
  for (int l = 0; l < NL; l++)
    for (int i = 0; i < NI; i++) {
      int q = l * NI + i;
      m[q] = plan[i] * (z[l + 1] - z[l]) * rho;
      across[q] = i == NI - 1 ? 0 : k * 2 * M_PI * r[i + 1] * (z[l + 1] - z[l]) / (rc[i + 1] - rc[i]);
      upward[q] = l == NL - 1 ? 0 : k * plan[i] / (zc[l + 1] - zc[l]);
      t[q] = 60;
      h[q] = content(60);
    }
  double surface[3] = {60, 60, 60}; /* side, top, foot */
  int steps = 200000;
  struct timespec a, b;
  clock_gettime(CLOCK_MONOTONIC, &a);
  for (int n = 0; n < steps; n++) {
    double run[3] = {r[NI] - rc[NI - 1], z[NL] - zc[NL - 1], zc[0]}, g[3];
    for (int f = 0; f < 3; f++) {
      double sum = 0, weight = 0;
      if (f == 0)
        for (int l = 0; l < NL; l++) { sum += t[l * NI + NI - 1] * outer[l]; weight += outer[l]; }
      else
        for (int i = 0; i < NI; i++) { sum += t[(f == 1 ? NL - 1 : 0) * NI + i] * plan[i]; weight += plan[i]; }
      double u = bare(surface[f], air, f == 1), cell = sum / weight;
      surface[f] = cell - (cell - air) / (run[f] / k + 1 / u) * run[f] / k;
      g[f] = 1 / (run[f] / k + 1 / u);
    }
    for (int q = 0; q < N; q++) { c[q] = slope[piece(t[q])]; inertia[q] = m[q] * c[q] / dt; s[q] = t[q]; }
    for (int l = 0; l < NL; l++)
      for (int i = 0; i < NI; i++) {
        int q = l * NI + i;
        double down = l ? upward[q - NI] : 0, out = (l == 0 ? g[2] * plan[i] : 0) + (l == NL - 1 ? g[1] * plan[i] : 0);
        double left = inertia[q] + upward[q] + out + down * (1 - (l ? ratio[q - NI] : 0));
        ratio[q] = upward[q] / left;
        s[q] = (inertia[q] * s[q] + out * air + (l ? down * s[q - NI] : 0)) / left;
      }
    for (int l = NL - 2; l >= 0; l--)
      for (int i = 0; i < NI; i++) s[l * NI + i] += ratio[l * NI + i] * s[(l + 1) * NI + i];
    for (int i = 0; i < NI; i++)
      for (int l = 0; l < NL; l++) {
        int q = l * NI + i;
        double in = i ? across[q - 1] : 0, out = i == NI - 1 ? g[0] * outer[l] : 0;
        double left = inertia[q] + across[q] + out + in * (1 - (i ? ratio[q - 1] : 0));
        ratio[q] = across[q] / left;
        s[q] = (inertia[q] * s[q] + out * air + (i ? in * s[q - 1] : 0)) / left;
      }
    for (int i = NI - 2; i >= 0; i--)
      for (int l = 0; l < NL; l++) s[l * NI + i] += ratio[l * NI + i] * s[l * NI + i + 1];
    for (int q = 0; q < N; q++) { h[q] += c[q] * (s[q] - t[q]); t[q] = warmth(h[q], s[q]); }
    if (n % 2000 == 1999) for (int q = 0; q < N; q++) { t[q] += 20; h[q] = content(t[q]); }
  }
  clock_gettime(CLOCK_MONOTONIC, &b);
  double sum = 0, weight = 0;
  for (int q = 0; q < N; q++) { sum += m[q] * t[q]; weight += m[q]; }
  printf("C: %.3f us a step, mean %.2f C\n", ((b.tv_sec - a.tv_sec) * 1e6 + (b.tv_nsec - a.tv_nsec) / 1e3) / steps, sum / weight);
  return 0;
}
