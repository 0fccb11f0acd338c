#include "core/led/preferred_value.h"

#include <cassert>
#include <cmath>
#include <cstdlib>
#include <span>
#include <string>

namespace glimmet::core {
namespace {

// IEC 60063 in units of the decade's hundredth. E6 and E12 are every fourth and second of E24;
// E24 is historical and departs from 10^(i/24), so it is written out. E96 is 10^(i/96), rounded.
constexpr int e24[] = {100, 110, 120, 130, 150, 160, 180, 200, 220, 240, 270, 300,
                       330, 360, 390, 430, 470, 510, 560, 620, 680, 750, 820, 910};

std::vector<int> mantissas(Series series) {
    std::vector<int> values;
    if (series == Series::E96) {
        for (int i = 0; i < 96; ++i) {
            values.push_back(static_cast<int>(std::lround(100.0 * std::pow(10.0, i / 96.0))));
        }
        return values;
    }
    const std::size_t step = series == Series::E6 ? 4 : series == Series::E12 ? 2 : 1;
    for (std::size_t i = 0; i < std::size(e24); i += step) values.push_back(e24[i]);
    return values;
}

const std::vector<int>& mantissasOf(Series series) {
    static const std::vector<int> tables[] = {mantissas(Series::E6), mantissas(Series::E12),
                                              mantissas(Series::E24), mantissas(Series::E96)};
    return tables[static_cast<std::size_t>(series)];
}

/// mantissa · 10^(decade-2), as the correctly rounded double that "2200" or "0.47" would be.
double valueAt(int mantissa, int decade) {
    const std::string written = std::to_string(mantissa) + "e" + std::to_string(decade - 2);
    return std::strtod(written.c_str(), nullptr);
}

/// Position of a value on the endless ladder of preferred values: decade · size + index of the
/// largest value not above `ideal` (within the series' tolerance for "is that value").
long ladderPosition(double ideal, const std::vector<int>& values) {
    const int decade = static_cast<int>(std::floor(std::log10(ideal)));
    const auto size = static_cast<long>(values.size());
    long best = (decade - 1) * size;
    for (int d = decade - 1; d <= decade + 1; ++d) {
        for (long i = 0; i < size; ++i) {
            const double value = valueAt(values[static_cast<std::size_t>(i)], d);
            if (value <= ideal * (1 + 1e-6)) best = d * size + i;
        }
    }
    return best;
}

double ladderValue(long position, const std::vector<int>& values) {
    const auto size = static_cast<long>(values.size());
    const long decade = position >= 0 ? position / size : -((-position + size - 1) / size);
    return valueAt(values[static_cast<std::size_t>(position - decade * size)],
                   static_cast<int>(decade));
}

bool sameValue(double a, double b) { return std::abs(a - b) <= 1e-6 * b; }

}  // namespace

double tolerance(Series series) {
    switch (series) {
        case Series::E6:
            return 0.20;
        case Series::E12:
            return 0.10;
        case Series::E24:
            return 0.05;
        case Series::E96:
            break;
    }
    return 0.01;
}

Ohms preferredValue(Ohms ideal, Series series, RoundingPolicy policy) {
    const double wanted = ideal.value();
    assert(std::isfinite(wanted) && wanted > 0);
    const std::vector<int>& values = mantissasOf(series);
    const long position = ladderPosition(wanted, values);
    const double below = ladderValue(position, values);
    if (sameValue(below, wanted)) return Ohms{below};
    const double above = ladderValue(position + 1, values);
    if (policy == RoundingPolicy::Nearest && wanted / below < above / wanted) return Ohms{below};
    return Ohms{above};
}

std::vector<Ohms> preferredAround(Ohms ideal, Series series, int count) {
    const double wanted = ideal.value();
    assert(std::isfinite(wanted) && wanted > 0 && count >= 1);
    const std::vector<int>& values = mantissasOf(series);
    long position = ladderPosition(wanted, values);
    if (sameValue(ladderValue(position, values), wanted)) --position;
    std::vector<Ohms> around;
    for (long at = position - count + 1; at <= position + count; ++at) {
        around.emplace_back(ladderValue(at, values));
    }
    return around;
}

Ohms steppedFrom(Ohms value, Series series, bool up) {
    // A value that is typed may lie a rounding beside its own.
    constexpr double same = 1e-6;
    const std::vector<Ohms> around = preferredAround(value, series, 2);
    if (!up) {
        for (auto it = around.rbegin(); it != around.rend(); ++it) {
            if (*it < value * (1 - same)) return *it;
        }
    }
    for (const Ohms each : around) {
        if (up && each > value * (1 + same)) return each;
    }
    return value;
}

}  // namespace glimmet::core
