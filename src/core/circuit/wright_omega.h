// The Wright omega function on the real line: ω + ln ω = z. It gives the current of a diode with
// resistance in series in closed form.
#pragma once

#include "core/circuit/lanes.h"

namespace glimmet::core::circuit {

/// One step of iteration towards ω(z) from `w` > 0, where r = z − w − ln w; the error falls with
/// the fourth power of r. Source: P. Lawrence, R. Corless, D. Jeffrey, "Algorithm 917: Complex
/// double-precision evaluation of the Wright ω function", ACM TOMS 38 (2012), eq. 9 (Fritsch,
/// Shafer, Crowley 1973).
GLIMMET_INLINE Lanes towardsOmega(Lanes w, Lanes r) {
    const Lanes s = 1.0 + w;
    const Lanes t = 2.0 * s * (s + 2.0 / 3.0 * r);
    return w + w * r * (t - r) / (s * (t - 2.0 * r));
}

/// ω(z) within a factor of e^0.35: so much that two steps from it are exact. e^z and ln z are read
/// off the way a number is written, as straight lines between powers of two.
GLIMMET_INLINE Lanes omegaAtFirst(Lanes z) {
    constexpr double ln2 = 0.69314718055994531;
    constexpr double halfwayUp = 0.043;  // of what 2^x lies below its chords
    constexpr double twoTo20 = 1048576;
    constexpr double low = -1.2, high = 3;
    // Exponent and twenty bits of the fraction are the upper half of a number. A whole number is
    // read off the last bits of it and 1.5·2^52.
    const Lanes power = (z < low ? z : allOf(low)) / ln2 + (1023 - halfwayUp);
    const Lanes exponential =
        reinterpret_cast<Lanes>(reinterpret_cast<Bits>(power * twoTo20 + 6755399441055744.0) << 32);
    const Lanes large = larger(z, allOf(high));
    const Lanes upper =
        reinterpret_cast<Lanes>((reinterpret_cast<Bits>(large) >> 32) | 0x4330000000000000) -
        4503599627370496.0;
    const Lanes logarithm = (upper / twoTo20 - (1023 - halfwayUp)) * ln2;
    const Lanes x = z - 1.0;  // Taylor's series at 1 between them
    const Lanes series = 1.0 + x * (1.0 / 2 + x * (1.0 / 16 - x / 192));
    return z < low ? exponential : z > high ? large - logarithm + 0.3 : series;
}

/// ω(z). Range: z > −700 (smaller: it underflows). Good to 3e-15 above −2, below to the digits of
/// z.
GLIMMET_INLINE Lanes wrightOmega(Lanes z) {
    const Lanes first = omegaAtFirst(z);
    // The logarithm of the first is wanted to four digits only.
    const auto [f, exponent] = split(first);
    const Lanes logarithm = exponent * 0.69314718055994531 +
                            f * (1.0 - 0.5 * f + f * f * (0.3340 - f * (0.2590 - 0.18 * f)));
    const Lanes second = towardsOmega(first, z - first - logarithm);
    return towardsOmega(second, z - second - naturalLog(second));
}

/// Within what share of itself ω may change for wrightOmegaBeside().
inline constexpr double besideShare = 0.25;

/// ω(z + moved) from ω(z): ln ω(z) = z − ω(z) is known, so that one step from Taylor's series is
/// enough. `share`: 1/(1 + ω(z)). Range: |moved·share| < besideShare. Good to 4e-16.
GLIMMET_INLINE Lanes wrightOmegaBeside(Lanes omega, Lanes share, Lanes moved) {
    // ω' = ω·share, ω'' = ω·share³, ω''' = ω·share⁵·(1 − 2·ω).
    const Lanes first = moved * share;
    const Lanes bent = first * share;
    const Lanes d = first * (1.0 + bent * (0.5 + bent * share * (1.0 - 2.0 * omega) / 6.0));
    const Lanes w = omega * (1.0 + d);
    return towardsOmega(w, moved - omega * d - logarithmBesideOne(d));
}

}  // namespace glimmet::core::circuit
