#include "core/led/light_colour.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {
namespace {

struct Tristimulus {
    double x = 0, y = 0, z = 0;
};

/// A bell curve with another width on each side.
double lobe(double wave, double middle, double below, double above) {
    const double t = (wave - middle) / (wave < middle ? below : above);
    return std::exp(-0.5 * t * t);
}
Tristimulus matching(double wave) {
    return {1.056 * lobe(wave, 599.8, 37.9, 31.0) + 0.362 * lobe(wave, 442.0, 16.0, 26.7) -
                0.065 * lobe(wave, 501.1, 20.4, 26.2),
            0.821 * lobe(wave, 568.8, 46.9, 40.5) + 0.286 * lobe(wave, 530.9, 16.3, 31.1),
            1.217 * lobe(wave, 437.0, 11.8, 36.0) + 0.681 * lobe(wave, 459.0, 26.0, 13.8)};
}

template <class Power>
Chromaticity ofSpectrum(Power power) {
    Tristimulus sum;
    for (double wave = 380; wave <= 780; wave += 2) {
        const double p = power(wave);
        const Tristimulus m = matching(wave);
        sum.x += p * m.x;
        sum.y += p * m.y;
        sum.z += p * m.z;
    }
    const double all = sum.x + sum.y + sum.z;
    return {sum.x / all, sum.y / all};
}

}  // namespace

Chromaticity ofBand(double peak, double sigma) {
    return ofSpectrum([&](double wave) { return lobe(wave, peak, sigma, sigma); });
}

Chromaticity ofBlackBody(double kelvin) {
    constexpr double second = 1.438777e7;  // nm·K: Planck's second constant, h·c/k
    return ofSpectrum([&](double wave) {
        return 1.0 / (std::pow(wave / 500.0, 5) * std::expm1(second / (wave * kelvin)));
    });
}

Chromaticity lightOf(LedFamily family, std::string_view tint) {
    switch (family) {
        case LedFamily::Red:
            return ofBand(628, 8);
        case LedFamily::Amber:
            return ofBand(604, 8);
        case LedFamily::Yellow:
            return ofBand(590, 8);
        case LedFamily::Green:
            return ofBand(568, 12);
        case LedFamily::TrueGreen:
            return ofBand(522, 14);
        case LedFamily::Blue:
            return ofBand(467, 11);
        case LedFamily::UltraViolet:
            return ofBand(405, 8);
        case LedFamily::White:
            break;
    }
    return ofBlackBody(tint == "warm" ? 3000 : tint == "cool" ? 7000 : 4500);
}

ScreenColour onScreen(const Chromaticity& colour) {
    const double x = colour.x / colour.y, z = (1 - colour.x - colour.y) / colour.y;
    // IEC 61966-2-1.
    double linear[] = {3.2406 * x - 1.5372 - 0.4986 * z, -0.9689 * x + 1.8758 + 0.0415 * z,
                       0.0557 * x - 0.2040 + 1.0570 * z};
    for (double& each : linear) each = std::max(each, 0.0);
    const double most = std::max({linear[0], linear[1], linear[2]});
    for (double& each : linear) {
        each /= most;
        each = each <= 0.0031308 ? 12.92 * each : 1.055 * std::pow(each, 1 / 2.4) - 0.055;
    }
    return {linear[0], linear[1], linear[2]};
}

}  // namespace glimmet::core
