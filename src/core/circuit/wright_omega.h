// The Wright omega function on the real line: ω + ln ω = z. It gives the current of a diode with
// resistance in series in closed form.
#pragma once

#include <cmath>

namespace glimmet::core::circuit {

/// One step of iteration towards ω(z) from `w` > 0, where r = z − w − ln w; the error falls with
/// the fourth power of r. Source: P. Lawrence, R. Corless, D. Jeffrey, "Algorithm 917: Complex
/// double-precision evaluation of the Wright ω function", ACM TOMS 38 (2012), eq. 9 (Fritsch,
/// Shafer, Crowley 1973).
[[nodiscard]] inline double towardsOmega(double w, double r) {
    const double s = 1 + w;
    const double t = 2 * s * (s + 2.0 / 3.0 * r);
    return w * (1 + r * (t - r) / (s * (t - 2 * r)));
}

/// ω(z). `guess`: a value to begin from, > 0, close (|z − guess − ln guess| below about 1).
[[nodiscard]] inline double wrightOmegaNear(double z, double guess) {
    double w = guess;
    for (int step = 0; step < 4; ++step) {
        const double r = z - w - std::log(w);
        w = towardsOmega(w, r);
        if (std::abs(r) < 2e-3) break;  // then w is good to r⁴/72, 2e-13
    }
    return w;
}

/// Within what share of itself ω may change for wrightOmegaBeside().
inline constexpr double besideShare = 0.01;

/// ω(z + moved) from ω(z) without a logarithm: ln ω(z) = z − ω(z) is known, and what it changes by
/// is a short series. `share`: 1/(1 + ω(z)). Range: |moved·share| < besideShare. Good to 1e-15.
[[nodiscard]] inline double wrightOmegaBeside(double omega, double share, double moved) {
    // ω' = ω·share, ω'' = ω·share³: w = ω·(1 + d) is off by some d³.
    const double d = moved * share * (1 + moved / 2 * share * share);
    const double e = d * d;
    const double logarithm =  // ln(1 + d)
        d - e * ((1.0 / 2 - d / 3) + e * ((1.0 / 4 - d / 5) + e * (1.0 / 6 - d / 7)));
    const double r = moved - omega * d - logarithm;
    const double w = omega * (1 + d);
    const double inverse = 1 / (1 + w);
    return w * (1 + r * inverse * (1 + r / 2 * inverse * inverse));
}

/// ω(z) for any z > −700 (smaller: exp underflows, and so does ω).
[[nodiscard]] inline double wrightOmega(double z) {
    if (z < -36) return std::exp(z);
    if (z < -2) return wrightOmegaNear(z, std::exp(z));
    if (z < 3) {  // Taylor's series at 1
        const double x = z - 1;
        return wrightOmegaNear(z, 1 + x / 2 + x * x / 16 - x * x * x / 192);
    }
    const double l = std::log(z);
    return wrightOmegaNear(z, z - l + l / z);
}

}  // namespace glimmet::core::circuit
