// A bank made up of single capacitors, as a line says it: "bank 5x0.47F 2.7V series".
#pragma once

#include "core/finding/figure.h"
#include "core/jot/command.h"
#include "core/quantity/quantities.h"
#include "core/record/stay_alive.h"

#include <array>
#include <string>
#include <utility>
#include <vector>

namespace glimmet::core::stay_alive {

inline constexpr const char* ownBankId = "own-bank";

/// A value printed on a bank: of the catalogue, or as it was said of one made up.
template <class Quantity>
[[nodiscard]] Figure printedFigure(Text name, std::string symbol, Quantity value,
                                   const BankPart& part) {
    return part.id == ownBankId
               ? figures::chosen(std::move(name), std::move(symbol), value,
                                 text("%1, as it was said", part.name), "bank ")
               : figures::catalogue(std::move(name), std::move(symbol), value, verbatim(part.name));
}

/// Length, width, height of so many side by side, by the energy that such parts usually hold in
/// their volume: 2.8 J/cm³ in a supercapacitor, 0.3 J/cm³ in others (the parts of the catalogue;
/// docs/physics.md). Each half as high again as it is wide. Range: each > 0, rated > 0, count >= 1.
[[nodiscard]] std::array<Millimetres, 3> usualBankSize(BankKind kind, Farads each, Volts rated,
                                                       int count);

/// "tantalum" "can" "cell"; "series" "parallel".
[[nodiscard]] std::vector<jot::Named> bankKinds(const jot::Context& context);
[[nodiscard]] std::vector<jot::Named> joints(const jot::Context& context);
/// "series", "in series".
[[nodiscard]] std::optional<std::string> jointSaid(const jot::ParsedLine& said);

/// From FARADS, RATED, COUNT, JOINT, KIND and SIZE of a line. Where no kind was said, half a tenth
/// of a farad at up to 6 V is a supercapacitor, else it is a can. A size that was not said is
/// guessed, and its name says so.
/// Errors: Missing for what is needed, NotUnderstood, OutOfRange.
[[nodiscard]] Result<BankPart> ownBank(const jot::ParsedLine& said);

}  // namespace glimmet::core::stay_alive
