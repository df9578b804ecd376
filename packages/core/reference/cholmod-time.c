/* Times Debian's SuiteSparse (CHOLMOD, supernodal, AMD) on a system written by `npm run bench -- spread --dump DIR`.
 *   apt-get install libsuitesparse-dev
 *   cc -O2 cholmod-time.c -I/usr/include/suitesparse -lcholmod -o cholmod-time
 *   OPENBLAS_NUM_THREADS=1 ./cholmod-time DIR/fine.mtx
 * Prints analysis, numeric factorisation (least of 15), entries of the factor and Mflop. */
#include <cholmod.h>
#include <stdio.h>
#include <time.h>

static double now(void) {
  struct timespec t;
  clock_gettime(CLOCK_MONOTONIC, &t);
  return t.tv_sec + 1e-9 * t.tv_nsec;
}

int main(int argc, char **argv) {
  cholmod_common c;
  cholmod_start(&c);
  c.nmethods = 1;
  c.method[0].ordering = CHOLMOD_AMD;
  c.supernodal = CHOLMOD_SUPERNODAL;
  FILE *f = argc > 1 ? fopen(argv[1], "r") : NULL;
  if (!f) return fprintf(stderr, "usage: cholmod-time system.mtx\n"), 1;
  cholmod_sparse *A = cholmod_read_sparse(f, &c);
  double start = now();
  cholmod_factor *L = cholmod_analyze(A, &c);
  printf("%s: %zu unknowns, analysis %.1f ms, ", argv[1], A->nrow, 1e3 * (now() - start));
  double least = 1e9;
  for (int k = 0; k < 15; k++) {
    start = now();
    cholmod_factorize(A, L, &c);
    if (now() - start < least) least = now() - start;
  }
  printf("factor %.1f ms, %.0f thousand entries, %.0f Mflop\n", 1e3 * least, c.lnz / 1e3, c.fl / 1e6);
  return 0;
}
