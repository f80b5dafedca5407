/*
 * The draws of the ratio in C, to hold the program's own to: the same components from the same distributions, by the
 * ziggurat of 128 layers (J. A. Doornik, 2005), from the generator that suits words of 64 bits (xoroshiro128+, D. Blackman and S. Vigna, 2018).
 * Reads the model from standard input, as benchmarks/draws.ts writes it; prints the milliseconds of the quickest slice and the first result's mean and deviation.
 */
#include <math.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

enum { LAYERS = 128, INPUTS = 10, SLICE = 20000 };
static const double TAIL_START = 3.442619855899, LAYER_AREA = 9.91256303526217e-3;
static double edges[LAYERS + 1], ratios[LAYERS];
static uint64_t s0 = 0x9e3779b97f4a7c15u, s1 = 0xbf58476d1ce4e5b9u;

static inline uint64_t rotated(uint64_t x, int k) { return (x << k) | (x >> (64 - k)); }
static inline uint64_t next(void) {
  const uint64_t a = s0, sum = s0 + s1;
  uint64_t b = s1;
  b ^= a;
  s0 = rotated(a, 24) ^ b ^ (b << 16);
  s1 = rotated(b, 37);
  return sum;
}
static double uniform(void) { return (next() >> 11) * 0x1.0p-53; }

static void layers(void) {
  double height = exp(-0.5 * TAIL_START * TAIL_START);
  edges[0] = LAYER_AREA / height;
  edges[1] = TAIL_START;
  for (int i = 2; i < LAYERS; i++) {
    edges[i] = sqrt(-2 * log(LAYER_AREA / edges[i - 1] + height));
    height = exp(-0.5 * edges[i] * edges[i]);
  }
  edges[LAYERS] = 0;
  for (int i = 0; i < LAYERS; i++) ratios[i] = edges[i + 1] / edges[i];
}

static double normal(void) {
  for (;;) {
    const uint64_t bits = next();
    const int layer = (bits >> 4) & (LAYERS - 1);
    const double u = ((int64_t)bits >> 11) * 0x1.0p-52;
    if (fabs(u) < ratios[layer]) return u * edges[layer];
    if (layer == 0) {
      double x, y;
      do {
        x = log(1 - uniform()) / TAIL_START;
        y = log(1 - uniform());
      } while (-2 * y < x * x);
      return u < 0 ? x - TAIL_START : TAIL_START - x;
    }
    const double x = u * edges[layer];
    const double low = exp(-0.5 * (edges[layer] * edges[layer] - x * x));
    const double high = exp(-0.5 * (edges[layer + 1] * edges[layer + 1] - x * x));
    if (high + uniform() * (low - high) < 1) return x;
  }
}

static double milliseconds(void) {
  struct timespec now;
  clock_gettime(CLOCK_MONOTONIC, &now);
  return now.tv_sec * 1e3 + now.tv_nsec / 1e6;
}

static inline double volume(double bore, double length) { return M_PI / 4 * bore * bore * length / 1000; }

int main(void) {
  int draws, inputs, uncertain, shared, shares, cylinders;
  if (scanf("%d %d %d %d %d %d", &draws, &inputs, &uncertain, &shared, &shares, &cylinders) != 6) return 1;
  double *centre = malloc(inputs * sizeof *centre), *value = malloc(inputs * sizeof *value);
  int *position = malloc(uncertain * sizeof *position), *to = malloc((shares + 1) * sizeof *to), *by = malloc((shares + 1) * sizeof *by);
  double *own = malloc(uncertain * sizeof *own), *weight = malloc((shares + 1) * sizeof *weight);
  double *shock = malloc((uncertain + shared) * sizeof *shock);
  int *slot = malloc(cylinders * INPUTS * sizeof *slot);
  double *mean = calloc(cylinders, sizeof *mean), *square = calloc(cylinders, sizeof *square);
  for (int i = 0; i < inputs; i++) if (scanf("%lf", &centre[i]) != 1) return 1;
  for (int i = 0; i < uncertain; i++) if (scanf("%d %lf", &position[i], &own[i]) != 2) return 1;
  for (int i = 0; i < shares; i++) if (scanf("%d %d %lf", &to[i], &by[i], &weight[i]) != 3) return 1;
  for (int i = 0; i < cylinders * INPUTS; i++) if (scanf("%d", &slot[i]) != 1) return 1;
  layers();
  double from = milliseconds(), quickest = INFINITY;
  for (int i = 0; i < inputs; i++) value[i] = centre[i];
  for (int draw = 1; draw <= draws; draw++) {
    for (int i = 0; i < uncertain + shared; i++) shock[i] = normal();
    for (int i = 0; i < uncertain; i++) value[position[i]] = centre[position[i]] + own[i] * shock[i];
    for (int i = 0; i < shares; i++) value[to[i]] += weight[i] * shock[by[i]];
    for (int c = 0; c < cylinders; c++) {
      const int *s = slot + c * INPUTS;
      const double bore = value[s[0]];
      const double clearance = value[s[2]] + value[s[3]] + volume(bore, value[s[4]]) + volume(value[s[5]], value[s[6]]) +
                               volume(bore, value[s[8]]) - volume(value[s[7]], value[s[8]]);
      const double ratio = (volume(bore, value[s[1]]) + clearance) / clearance;
      const double step = ratio - mean[c];
      mean[c] += step / draw;
      square[c] += step * (ratio - mean[c]);
    }
    if (draw % SLICE == 0) {
      const double now = milliseconds();
      quickest = fmin(quickest, now - from);
      from = now;
    }
  }
  printf("%.4f %.9f %.9f\n", quickest, mean[0], sqrt(square[0] / (draws - 1)));
  return 0;
}
