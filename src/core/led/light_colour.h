// The colour of an LED's light: from its spectrum or colour temperature to CIE 1931 chromaticity,
// and from there to a screen.
#pragma once

#include "core/led/family.h"

#include <string_view>

namespace glimmet::core {

/// CIE 1931, 2° observer.
struct Chromaticity {
    double x = 0, y = 0;
};

/// Of a narrow spectrum: a bell curve round `peak`, `sigma` its standard deviation, both in
/// nanometres. Colour-matching functions after Wyman, Sloan and Shirley (JCGT 2013), whose fit is
/// good to some 0.015 in x and y. Range: peak 380 … 700, sigma > 0.
[[nodiscard]] Chromaticity ofBand(double peak, double sigma);
/// Of a black body, by Planck's law. Range: 1000 … 20000 K.
[[nodiscard]] Chromaticity ofBlackBody(double kelvin);

/// Typical of each family; a white by its tint: "warm" 3000 K, "cool" 7000 K, else 4500 K.
[[nodiscard]] Chromaticity lightOf(LedFamily family, std::string_view tint);

/// sRGB, each 0 … 1, the strongest of them 1. Beyond what a screen can show the parts that would
/// have to be negative are left out: mixed with white instead a red LED would look pink.
struct ScreenColour {
    double red = 0, green = 0, blue = 0;
};
[[nodiscard]] ScreenColour onScreen(const Chromaticity& colour);

}  // namespace glimmet::core
