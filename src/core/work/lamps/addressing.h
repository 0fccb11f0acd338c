// Which lamp group a line is about, and which of its rows.
#pragma once

#include "core/jot/command.h"

#include <cstddef>
#include <string>
#include <vector>

namespace glimmet::core::lamps {

/// "front" for "front lamp"; empty for names of another make.
[[nodiscard]] std::string shortName(const std::string& name);

/// A front lamp is a headlamp and a rear lamp a tail lamp, as people say, where no other is.
void addTradeWords(std::vector<jot::Named>& lamps);

/// Groups by their own names only: beside a colour, "white" is no wire.
[[nodiscard]] std::vector<jot::Named> ownNames(const jot::Context& context);
/// And by what feeds them, where that is no name of another.
[[nodiscard]] std::vector<jot::Named> namesAndFeeds(const jot::Context& context);
/// And by the words of the trade.
[[nodiscard]] std::vector<jot::Named> lampGroupNames(const jot::Context& context);

/// The place of a verb that is about a lamp.
inline constexpr jot::Argument lampGroup{
    .what = "LAMP",
    .kind = jot::Argument::Kind::Name,
    .needed = true,
    .missing = "Which lamp?",
    .names = lampGroupNames,
    .rows = true,
    .unknown = "No lamp goes by “%1”. There are: %2.",
    .none = "There is no lamp yet. Add one first: lamp front white."};
/// Words that say nothing new there.
inline constexpr const char* groupNoise[] = {"lamp", "lamps", "led", "output", "on"};

struct RowAddress {
    std::size_t group = 0;
    std::size_t row = 0;
    bool wholeCircuit = true;
};
/// The lamp group that a line named in that place, and its row.
/// Errors: OutOfRange where it has fewer rows.
[[nodiscard]] Result<RowAddress> addressed(const jot::ParsedLine& said, std::string_view what);
/// The group of LAMP. Errors: NotUnderstood for one of its rows.
[[nodiscard]] Result<std::size_t> groupOf(const jot::ParsedLine& said);
/// One row of LAMP. Errors: NotUnderstood where of several it is not said which.
[[nodiscard]] Result<RowAddress> oneRow(const jot::ParsedLine& said);
[[nodiscard]] std::string rowOf(const LampGroup& group, const RowAddress& address);

}  // namespace glimmet::core::lamps
