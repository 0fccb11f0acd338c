// Four numbers worked out side by side, in the vector registers of the processor where it has wide
// ones (vector types of GCC and Clang; operators and ?: work on each number by itself).
#pragma once

#include <cstddef>
#include <cstdint>

namespace glimmet::core::circuit {

inline constexpr std::size_t laneCount = 4;
using Lanes = double __attribute__((vector_size(laneCount * sizeof(double))));
using Bits = std::uint64_t __attribute__((vector_size(laneCount * sizeof(double))));
/// Per lane all bits set, or none: what comparing gives and ?: takes.
using Mask = std::int64_t __attribute__((vector_size(laneCount * sizeof(double))));

// Compiled for processors with wide registers and for all others; which, is found when the program
// starts. Sanitizers and other compilers take the one for all.
#if defined(__x86_64__) && defined(__GNUC__) && !defined(__clang__) && \
    !defined(__SANITIZE_ADDRESS__)
#define GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS \
    __attribute__((target_clones("arch=x86-64-v3", "default")))
#else
#define GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
#endif
/// For what is inlined into a function that is compiled for several processors.
#define GLIMMET_INLINE [[gnu::always_inline]] inline

GLIMMET_INLINE Lanes allOf(double value) { return Lanes{} + value; }
GLIMMET_INLINE double sum(Lanes a) { return (a[0] + a[1]) + (a[2] + a[3]); }
GLIMMET_INLINE bool any(Mask mask) {
    const auto half =
        __builtin_shufflevector(mask, mask, 0, 1) | __builtin_shufflevector(mask, mask, 2, 3);
    return (half[0] | half[1]) != 0;
}
GLIMMET_INLINE bool all(Mask mask) { return !any(~mask); }
GLIMMET_INLINE Lanes larger(Lanes a, Lanes b) { return a > b ? a : b; }
GLIMMET_INLINE Lanes magnitude(Lanes a) {
    return reinterpret_cast<Lanes>(reinterpret_cast<Bits>(a) & ~(std::uint64_t{1} << 63));
}

/// x as f and an exponent: x = (1 + f)·2^exponent, √½ ≤ 1 + f < √2. Range: normal numbers above 0.
struct Split {
    Lanes f, exponent;
};
GLIMMET_INLINE Split split(Lanes x) {
    constexpr std::uint64_t bitsOfOne = std::uint64_t{1023} << 52;
    constexpr std::uint64_t bitsOfRootHalf = 0x3fe6a09e667f3bcd;
    // A whole number in the last bits of 2^52 is that number above it.
    constexpr std::uint64_t bitsOfTwoTo52 = 0x4330000000000000;
    constexpr double twoTo52 = 4503599627370496;
    const Bits bits = reinterpret_cast<Bits>(x);
    const Bits biased = (bits - bitsOfRootHalf + bitsOfOne) >> 52;
    return {reinterpret_cast<Lanes>(bits - (biased << 52) + bitsOfOne) - 1.0,
            reinterpret_cast<Lanes>(biased | bitsOfTwoTo52) - (twoTo52 + 1023)};
}

/// ln(1 + f) − f + half, where half = f²/2. Range: √½ ≤ 1 + f < √2. Method and coefficients: K. C.
/// Ng, "log", FDLIBM (Sun Microsystems, 1993).
GLIMMET_INLINE Lanes logarithmRest(Lanes f, Lanes half) {
    const Lanes s = f / (2.0 + f);
    const Lanes z = s * s;
    const Lanes zz = z * z;
    const Lanes rest = z * ((6.666666666666735130e-01 + z * 3.999999999940941908e-01) +
                            zz * (2.857142874366239149e-01 + z * 2.222219843214978396e-01) +
                            zz * zz *
                                ((1.818357216161805012e-01 + z * 1.531383769920937332e-01) +
                                 zz * 1.479819860510658591e-01));
    return s * (half + rest);
}

/// ln(1 + f) to the last digit. Range: √½ ≤ 1 + f < √2.
GLIMMET_INLINE Lanes logarithmBesideOne(Lanes f) {
    const Lanes half = 0.5 * f * f;
    return f - (half - logarithmRest(f, half));
}

/// ln x to the last digit. Range: normal numbers above 0.
GLIMMET_INLINE Lanes naturalLog(Lanes x) {
    const auto [f, exponent] = split(x);
    const Lanes half = 0.5 * f * f;
    return exponent * 6.93147180369123816490e-01 -
           ((half - (logarithmRest(f, half) + exponent * 1.90821492927058770002e-10)) - f);
}

}  // namespace glimmet::core::circuit
