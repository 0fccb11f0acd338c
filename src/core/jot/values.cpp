#include "core/jot/values.h"

#include <algorithm>
#include <cctype>
#include <cmath>

namespace glimmet::core::jot {
namespace {

bool credible(double value, const Argument& argument) {
    if (argument.zero && !(std::abs(value) > 0)) return true;
    // A hair of room, so that 20 mA written as .02 A is not below it.
    return value >= argument.least * (1 - 1e-9) && value <= argument.most * (1 + 1e-9);
}

Text shownValue(double value, const Argument& argument) {
    // A share is said in per cent; what is counted begins at one.
    if (argument.dimension == Dimension::Ratio && argument.least < 1)
        return verbatim(percent(value));
    if (argument.dimension == Dimension::Time && value >= 60) {
        const bool hours = value >= 2 * 3600.0;
        return verbatim(formatted(value / (hours ? 3600 : 60), Dimension::Ratio) +
                        (hours ? " h" : " min"));
    }
    // Speeds that are typed are those of trains.
    if (argument.dimension == Dimension::Speed) {
        return verbatim(formatted(value * 3.6, Dimension::Ratio) + " km/h");
    }
    return verbatim(formatted(value, argument.dimension));
}

}  // namespace

bool measures(const Token& token, const Argument& argument) {
    if (argument.kind != Argument::Kind::Quantity || valuesIn(token, argument.dimension).empty())
        return false;
    return !token.unit || *token.unit == argument.dimension;
}

std::vector<double> credibleValues(const Token& token, const Argument& argument) {
    std::vector<double> values = valuesIn(token, argument.dimension);
    const char last = token.words.empty() ? ' ' : token.words.back();
    if (!token.unit && last >= '0' && last <= '9') {
        for (double& value : values) value *= argument.bare;
    }
    const std::vector<double> said = values;
    const auto drop = [&] {
        std::erase_if(values, [&](double value) { return !credible(value, argument); });
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

std::optional<double> probable(const Token& token, const Argument& argument) {
    std::vector<double> factors{1e-3, 1e3, 1e-6, 1e6};
    if (argument.dimension == Dimension::Ratio) {
        factors = {1e-2};
        // Per cent stood there, or it is a count.
        if (token.unit || argument.least >= 1) factors.clear();
    }
    if (argument.dimension == Dimension::Time) {
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
        for (const double value : valuesIn(token, argument.dimension)) {
            const bool near = value > argument.least / far && value < argument.most * far;
            if (near && argument.dimension != Dimension::Time) continue;
            if (value > 0 && value * factor >= argument.least && credible(value * factor, argument))
                return value * factor;
        }
    }
    return {};
}

Error questioned(const Token& token, const Argument& argument) {
    // Between nothing and the least there may be a gap, which is told to who fell into it.
    const std::vector<double> values = valuesIn(token, argument.dimension);
    const bool inGap =
        argument.zero && std::any_of(values.begin(), values.end(), [&](double value) {
            return value > 0 && value < argument.least;
        });
    const Text most = shownValue(argument.most, argument);
    const Text range =
        inGap ? text("0, or %1 to %2,", shownValue(argument.least, argument), most)
              : text("%1 to %2", shownValue(argument.zero ? 0 : argument.least, argument), most);
    const auto guess = probable(token, argument);
    const bool above =
        !values.empty() && std::all_of(values.begin(), values.end(),
                                       [&](double value) { return value > argument.most; });
    if (!guess && above && argument.beyond) {
        return {ErrorCode::OutOfRange, "jot",
                text("“%1” is out of range: %2 is allowed. %3", shortened(token.words, 60), range,
                     text(argument.beyond))};
    }
    return {ErrorCode::OutOfRange, "jot",
            guess
                ? text("“%1” is out of range: %2 is allowed. Did you mean %3?",
                       shortened(token.words, 60), range, shownValue(*guess, argument))
                : text("“%1” is out of range: %2 is allowed.", shortened(token.words, 60), range)};
}

Result<double> valueOf(const Token& token, const Argument& argument) {
    const auto values = credibleValues(token, argument);
    if (values.size() == 1) return values.front();
    if (values.empty()) return tl::unexpected(questioned(token, argument));
    return refuse(
        ErrorCode::NotUnderstood,
        text("“%1” can be %2 or %3. Write the one that you mean.", shortened(token.words, 60),
             shownValue(values[0], argument), shownValue(values[1], argument)));
}

}  // namespace glimmet::core::jot
