// What a line says of lamps: places, colours, parts, forward points.
#pragma once

#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"

namespace glimmet::core::lamps {

/// A place that several units have goes by its bare name too, with the unit said behind it.
[[nodiscard]] std::vector<jot::Named> places(const jot::Context& context);

[[nodiscard]] std::vector<jot::Named> lampsOrPlaces(const jot::Context& context);

inline constexpr const char* kindBlinker = "blinker";

inline constexpr const char* kindFlicker = "flickering LED";

inline constexpr const char* kindBulb = "bulb";

[[nodiscard]] std::vector<jot::Named> colours(const jot::Context& context);

/// The part that a colour or the name of a part stands for.
[[nodiscard]] LampPart partNamed(const Catalogue& catalogue, const std::string& called);

[[nodiscard]] std::vector<jot::Named> stripNames(const jot::Context& context);

/// The strip that a line names, or the one of that colour for those volts, said or fed.
[[nodiscard]] Result<LampPart> stripMeant(const jot::ParsedLine& said);

[[nodiscard]] std::vector<jot::Named> directions(const jot::Context&);

[[nodiscard]] std::vector<jot::Named> outputs(const jot::Context& context);

[[nodiscard]] std::vector<jot::Named> outputsAndSupply(const jot::Context& context);

[[nodiscard]] std::vector<jot::Named> noneOrOpen(const jot::Context&);

[[nodiscard]] std::vector<jot::Named> noneOnly(const jot::Context&);

[[nodiscard]] std::vector<jot::Named> unmarkedOnly(const jot::Context&);

[[nodiscard]] std::vector<jot::Named> bareOnly(const jot::Context&);

[[nodiscard]] std::vector<jot::Named> outputKindNames(const jot::Context&);

[[nodiscard]] std::vector<jot::Named> seriesNames(const jot::Context&);

/// A measured point takes both values.
[[nodiscard]] Result<std::optional<ForwardPoint>> pointOf(const jot::ParsedLine& said);

/// A part in the size that was said: of the catalogue where one like it is in it, else as it is.
[[nodiscard]] Result<LampPart> sizedPart(const jot::ParsedLine& said, LampPart part);

/// The part with a measured point, if that is one an LED can have.
[[nodiscard]] Result<LampPart> withPoint(LampPart part, const std::optional<ForwardPoint>& point);

[[nodiscard]] std::string shown(const ForwardPoint& point);

/// "red LED", with the reading if one was taken.
[[nodiscard]] Text described(const LampPart& part, const std::optional<ForwardPoint>& point);

[[nodiscard]] bool feeds(const LampGroup& group, const std::string& output);

[[nodiscard]] const LampGroup* fedBy(const Job& job, const std::string& output);

/// The output that a lamp's place suggests, if it is free.
[[nodiscard]] std::optional<std::string> usualOutput(const Job& job, Facing facing);

/// LEDs want another resistor than bulbs: an output feeds one kind.
[[nodiscard]] tl::unexpected<Error> oneKind(const LampGroup& group);

[[nodiscard]] std::string shown(const FilamentRating& bulb);

[[nodiscard]] LampPart bulbPart(const FilamentRating& bulb);

[[nodiscard]] tl::unexpected<Error> noWish(const LampPart& bulb);

/// A bulb in the place of what is there.
[[nodiscard]] Result<JotResult> bulbInPlace(const jot::ParsedLine& said, std::size_t index,
                                            const LampPart& part);

[[nodiscard]] WorkshopRules houseFor(const jot::ParsedLine& said, const Job& job);

/// Whether a lamp with a resistor in it stays well within its limit without another one.
[[nodiscard]] bool worksWithout(const Job& job, const WorkshopRules& house, const LampPart& part);

/// A lamp with its own resistor needs no other one up to the volts that are printed on it, and
/// where it stays well within its limit all the same. Nothing: one is to be chosen.
[[nodiscard]] std::optional<Ohms> resistorOf(const jot::ParsedLine& said, const LampPart& part);

/// One more row beside those of a group, with its resistor where the house puts it; that in words.
[[nodiscard]] Text joined(const jot::ParsedLine& said, const Job& after, LampGroup& group, Lamp one,
                          std::optional<Ohms> resistor);

}  // namespace glimmet::core::lamps
