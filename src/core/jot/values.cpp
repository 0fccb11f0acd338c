#include "core/jot/values.h"

#include <algorithm>
#include <cctype>
#include <cmath>

namespace glimmet::core::jot {
namespace {

bool credible(double value, const Takes& takes) {
    if (takes.zero && !(std::abs(value) > 0)) return true;
    // A hair of room, so that 20 mA written as .02 A is not below it.
    return value >= takes.least * (1 - 1e-9) && value <= takes.most * (1 + 1e-9);
}

Text shownValue(double value, const Takes& takes) {
    // A share is said in per cent; what is counted begins at one.
    if (takes.dimension == Dimension::Ratio && takes.least < 1) return verbatim(percent(value));
    if (takes.dimension == Dimension::Time && value >= 60) {
        const bool hours = value >= 2 * 3600.0;
        return verbatim(formatted(value / (hours ? 3600 : 60), Dimension::Ratio) +
                        (hours ? " h" : " min"));
    }
    // Speeds that are typed are those of trains.
    if (takes.dimension == Dimension::Speed) {
        return verbatim(formatted(value * 3.6, Dimension::Ratio) + " km/h");
    }
    return verbatim(formatted(value, takes.dimension));
}

}  // namespace

bool measures(const Token& token, const Takes& takes) {
    if (takes.kind != Takes::Kind::Quantity || valuesIn(token, takes.dimension).empty())
        return false;
    return !token.unit || *token.unit == takes.dimension;
}

std::vector<double> credibleValues(const Token& token, const Takes& takes) {
    std::vector<double> values = valuesIn(token, takes.dimension);
    const char last = token.words.empty() ? ' ' : token.words.back();
    if (!token.unit && last >= '0' && last <= '9') {
        for (double& value : values) value *= takes.bare;
    }
    const std::vector<double> said = values;
    const auto drop = [&] {
        std::erase_if(values, [&](double value) { return !credible(value, takes); });
    };
    drop();
    // Typed in capitals MA and MV are milliamperes and millivolts: a bench has no other.
    const std::string_view words = token.words;
    if (values.empty() && (words.ends_with("MA") || words.ends_with("MV"))) {
        for (const double value : said) values.push_back(value * 1e-9);
        drop();
    }
    return values;
}

std::optional<double> probable(const Token& token, const Takes& takes) {
    std::vector<double> factors{1e-3, 1e3, 1e-6, 1e6};
    if (takes.dimension == Dimension::Ratio) {
        factors = {1e-2};
        // Per cent stood there, or it is a count.
        if (token.unit || takes.least >= 1) factors.clear();
    }
    if (takes.dimension == Dimension::Time) {
        factors = {60, 3600};
        if (token.unit) factors.clear();
    }
    // Just beyond the range nothing slipped; nor was a number of many digits meant smaller.
    constexpr double far = 4;
    constexpr std::ptrdiff_t mostDigits = 4;
    if (std::count_if(token.words.begin(), token.words.end(),
                      [](unsigned char c) { return std::isdigit(c) != 0; }) > mostDigits)
        return {};
    for (const double factor : factors) {
        for (const double value : valuesIn(token, takes.dimension)) {
            const bool near = value > takes.least / far && value < takes.most * far;
            if (near && takes.dimension != Dimension::Time) continue;
            if (value > 0 && value * factor >= takes.least && credible(value * factor, takes))
                return value * factor;
        }
    }
    return {};
}

Error questioned(const Token& token, const Takes& takes) {
    // Between nothing and the least there may be a gap, which is told to who fell into it.
    const std::vector<double> values = valuesIn(token, takes.dimension);
    const bool inGap = takes.zero && std::any_of(values.begin(), values.end(), [&](double value) {
                           return value > 0 && value < takes.least;
                       });
    const Text most = shownValue(takes.most, takes);
    const Text range =
        inGap ? text("0, or %1 to %2,", shownValue(takes.least, takes), most)
              : text("%1 to %2", shownValue(takes.zero ? 0 : takes.least, takes), most);
    const auto guess = probable(token, takes);
    const bool above =
        !values.empty() &&
        std::all_of(values.begin(), values.end(), [&](double value) { return value > takes.most; });
    if (!guess && above && takes.beyond) {
        return {ErrorCode::OutOfRange, "jot",
                text("“%1” is out of range: %2 is allowed. %3", shortened(token.words, 60), range,
                     text(takes.beyond))};
    }
    return {ErrorCode::OutOfRange, "jot",
            guess
                ? text("“%1” is out of range: %2 is allowed. Did you mean %3?",
                       shortened(token.words, 60), range, shownValue(*guess, takes))
                : text("“%1” is out of range: %2 is allowed.", shortened(token.words, 60), range)};
}

Result<double> valueOf(const Token& token, const Takes& takes) {
    const auto values = credibleValues(token, takes);
    if (values.size() == 1) return values.front();
    if (values.empty()) return tl::unexpected(questioned(token, takes));
    return refuse(
        ErrorCode::NotUnderstood,
        text("“%1” can be %2 or %3. Write the one that you mean.", shortened(token.words, 60),
             shownValue(values[0], takes), shownValue(values[1], takes)));
}

}  // namespace glimmet::core::jot
