// A figure: a number that can explain itself. What it is, what it rests on, the formula it came
// from with this job's values in it, and what to type to measure or change it.
#pragma once

#include "core/quantity/dimension.h"
#include "core/text.h"
#include "core/words.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

/// What a figure rests on.
struct Basis {
    enum class Kind {
        Measured,   ///< at the bench, on this model
        Chosen,     ///< decided by the user: a resistor, a target current
        Catalogue,  ///< from the data of the part
        Assumed,    ///< a default, until it is measured
        Computed,   ///< from the figure's inputs
        Missing,    ///< needed and not known
    };
    Kind kind = Kind::Missing;
    std::string on;  ///< date of a measurement, ISO 8601; may be empty
    Text detail;     ///< how it was measured, which part, which default
};
constexpr auto wordsOf(Basis::Kind) {
    return std::to_array<Word<Basis::Kind>>({{Basis::Kind::Measured, "measured"},
                                             {Basis::Kind::Chosen, "chosen"},
                                             {Basis::Kind::Catalogue, "catalogue"},
                                             {Basis::Kind::Assumed, "assumed"},
                                             {Basis::Kind::Computed, "computed"},
                                             {Basis::Kind::Missing, "missing"}});
}
/// "measured 2026-03-02, stalled at 12 V" · "assumed: two silicon drops" · "computed"
[[nodiscard]] Text words(const Basis& basis);

struct Figure {
    Text name;                    ///< "Stall current at track volts"
    std::string symbol;           ///< "I_stall", as it stands in formulas
    std::optional<double> value;  ///< SI base unit; nothing where it is missing
    Dimension dimension{};
    Basis basis;
    std::string formula;         ///< of the inputs' symbols; empty unless computed
    std::vector<Figure> inputs;  ///< what the formula names
    std::string jot;             ///< start of the jot line that enters it; may be empty
};

/// "1.398 A", or "not known".
[[nodiscard]] std::string shown(const Figure& figure);

/// The formula with the inputs' values in place of their symbols:
///   "(V_track − V_rect) / R" -> "(14.5 V − 1.2 V) / 9.231 Ω". Longest symbols are replaced first.
[[nodiscard]] std::string withValues(const Figure& figure);

/// True when this figure or any that it rests on is only assumed.
[[nodiscard]] bool restsOnAssumption(const Figure& figure);

namespace figures {
template <class Quantity>
Figure made(Text name, std::string symbol, Quantity value, Basis basis, std::string jot = {}) {
    return {std::move(name),
            std::move(symbol),
            si(value),
            dimensionOf<Quantity>,
            std::move(basis),
            {},
            {},
            std::move(jot)};
}
template <class Quantity>
Figure measured(Text name, std::string symbol, Quantity value, std::string on, Text detail,
                std::string jot = {}) {
    return made(std::move(name), std::move(symbol), value,
                {Basis::Kind::Measured, std::move(on), std::move(detail)}, std::move(jot));
}
template <class Quantity>
Figure assumed(Text name, std::string symbol, Quantity value, Text detail, std::string jot = {}) {
    return made(std::move(name), std::move(symbol), value,
                {Basis::Kind::Assumed, {}, std::move(detail)}, std::move(jot));
}
template <class Quantity>
Figure catalogue(Text name, std::string symbol, Quantity value, Text detail) {
    return made(std::move(name), std::move(symbol), value,
                {Basis::Kind::Catalogue, {}, std::move(detail)});
}
template <class Quantity>
Figure chosen(Text name, std::string symbol, Quantity value, Text detail, std::string jot = {}) {
    return made(std::move(name), std::move(symbol), value,
                {Basis::Kind::Chosen, {}, std::move(detail)}, std::move(jot));
}
template <class Quantity>
Figure computed(Text name, std::string symbol, Quantity value, std::string formula,
                std::vector<Figure> inputs) {
    Figure figure =
        made(std::move(name), std::move(symbol), value, {Basis::Kind::Computed, {}, {}});
    figure.formula = std::move(formula);
    figure.inputs = std::move(inputs);
    return figure;
}
[[nodiscard]] Figure missing(Text name, std::string symbol, Dimension dimension, Text detail,
                             std::string jot);
}  // namespace figures
}  // namespace glimmet::core
