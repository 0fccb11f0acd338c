#include "core/instrument/settled.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {

namespace {

Settled summary(std::span<const double> readings) {
    Settled found;
    found.count = readings.size();
    const double n = static_cast<double>(readings.size());
    for (const double value : readings) found.mean += value / n;
    double squares = 0;
    for (const double value : readings) squares += std::pow(value - found.mean, 2);
    found.scatter = std::sqrt(squares / (n - 1));
    return found;
}

}  // namespace

std::optional<Settled> atOnce(std::span<const double> readings) {
    constexpr std::size_t enough = 3;
    return readings.size() < enough ? std::nullopt : std::optional(summary(readings.first(enough)));
}

std::optional<Settled> settled(std::span<const double> readings, double floor) {
    constexpr std::size_t enough = 5;
    if (readings.size() < enough) return std::nullopt;
    const auto last = readings.last(enough);
    const Settled found = summary(last);
    const double squares = found.scatter * found.scatter * (enough - 1);
    double slope = 0;  // Σ(i − ī)² of five is 10
    for (std::size_t i = 0; i < enough; ++i) slope += (static_cast<double>(i) - 2) * last[i] / 10;
    const double drift = std::abs(slope) * (enough - 1);
    const double rest = std::max(squares - slope * slope * 10, 0.0);  // what the line leaves over
    const double noise = std::sqrt(rest / (enough - 2) / 10) * (enough - 1);  // of that drift, 1 σ
    const double allowed = std::max(std::abs(found.mean) * 0.01, floor);
    return drift <= allowed + noise ? std::optional(found) : std::nullopt;
}

}  // namespace glimmet::core
