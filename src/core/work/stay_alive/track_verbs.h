// Verbs of the layout: its points, crossings, gaps and dirt, how slowly the model goes over them.
#pragma once

#include "core/work/jotted.h"

namespace glimmet::core::stay_alive {

[[nodiscard]] Result<JotResult> points(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> gap(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> frog(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> creepAt(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> coast(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> dirtOn(const jot::ParsedLine& said);

[[nodiscard]] std::vector<jot::Named> pointsNumbers(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> frogs(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> railNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> trackworks(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> dirtNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> noTrackNames(const jot::Context&);

inline constexpr jot::Argument pointsArguments[] = {
    {.what = "NUMBER",
     .kind = jot::Argument::Kind::Name,
     .needed = true,
     .missing = "1 in how many?",
     .names = pointsNumbers,
     .unknown = "No points part by “%1”. There are: %2."},
    {.what = "MM", .dimension = Dimension::Length, .least = 1e-3, .most = 0.5, .unitNeeded = true},
    {.what = "KIND", .kind = jot::Argument::Kind::Name, .names = trackworks},
    {.what = "FROG", .kind = jot::Argument::Kind::Name, .names = frogs}};
inline constexpr jot::Argument gapArguments[] = {
    {.what = "MM", .dimension = Dimension::Length, .least = 0.2e-3, .most = 2},
    {.what = "RAIL", .kind = jot::Argument::Kind::Name, .names = railNames},
    {.what = "none", .kind = jot::Argument::Kind::Name, .names = noTrackNames}};
inline constexpr jot::Argument creepArguments[] = {{.what = "SPEED",
                                                    .needed = true,
                                                    .missing = "How fast, as the prototype goes?",
                                                    .dimension = Dimension::Speed,
                                                    .least = 1 / 3.6,
                                                    .most = 160 / 3.6,
                                                    .unitNeeded = true}};
inline constexpr jot::Argument coastArguments[] = {{.what = "MM",
                                                    .needed = true,
                                                    .missing = "How far does it roll?",
                                                    .dimension = Dimension::Length,
                                                    .least = 0.2e-3,
                                                    .most = 3}};
inline constexpr jot::Argument dirtArguments[] = {
    {.what = "EVERY",
     .after = "every",
     .dimension = Dimension::Length,
     .least = 0.01,
     .most = 1000,
     .unitNeeded = true},
    {.what = "WITHIN",
     .after = "per",
     .dimension = Dimension::Length,
     .least = 0.05,
     .most = 1000,
     .unitNeeded = true},
    {.what = "COUNT", .dimension = Dimension::Ratio, .least = 1, .most = 1000},
    {.what = "FEEL", .kind = jot::Argument::Kind::Name, .names = dirtNames}};
inline constexpr const char* dirtExamples[] = {"dirt every 1m", "dirt 3 per 2m", "dirt 1 per metre",
                                               "dirt often"};
inline constexpr const char* dirtWords[] = {"stutters"};
inline constexpr const char* coastWords[] = {"coasts"};
inline constexpr const char* coastExamples[] = {"coast 40mm"};
inline constexpr const char* coastNoise[] = {"rolls", "for", "on"};
inline constexpr const char* pointsWords[] = {"turnout", "turnouts"};
inline constexpr const char* pointsExamples[] = {"points 1:9", "points 1:9 30mm", "points 1:9 live",
                                                 "points 1:6 curved", "points none"};
inline constexpr const char* pointsNoise[] = {"frog", "frogs", "of"};
inline constexpr const char* crossingWords[] = {"crossings", "diamond"};
inline constexpr const char* crossingExamples[] = {"crossing 1:6", "crossing 1:6 live"};
inline constexpr const char* threeWayWords[] = {"threeway"};
inline constexpr const char* threeWayExamples[] = {"three-way 1:6"};
inline constexpr const char* doubleSlipWords[] = {"doubleslip", "double"};
inline constexpr const char* doubleSlipExamples[] = {"double-slip 1:6"};
inline constexpr const char* workNoise[] = {"points", "turnout", "slip", "frog", "frogs", "of"};
inline constexpr const char* gapExamples[] = {"gap 28mm left", "gap 12mm both", "gap none"};
inline constexpr const char* gapNoise[] = {"in", "rail", "rails", "the", "of"};
inline constexpr const char* creepExamples[] = {"creep 14km/h"};
inline constexpr const char* creepWords[] = {"creeps"};
inline constexpr const char* creepNoise[] = {"at", "over", "points"};

inline constexpr jot::Command pointsCommand{
    "points",
    pointsWords,
    pointsArguments,
    pointsExamples,
    "points or a crossing of the layout whose frogs give no power, with their length if you have "
    "it",
    points,
    false,
    pointsNoise};
inline constexpr jot::Command crossingCommand{
    "crossing",
    crossingWords,
    pointsArguments,
    crossingExamples,
    "two tracks that cross on the layout, whose frogs give no power",
    points,
    false,
    workNoise};
inline constexpr jot::Command threeWayCommand{"three-way",
                                              threeWayWords,
                                              pointsArguments,
                                              threeWayExamples,
                                              "points with two branches at one place",
                                              points,
                                              false,
                                              workNoise};
inline constexpr jot::Command doubleSlipCommand{"double-slip",
                                                doubleSlipWords,
                                                pointsArguments,
                                                doubleSlipExamples,
                                                "a crossing that one can turn off on",
                                                points,
                                                false,
                                                workNoise};
inline constexpr jot::Argument frogArguments[] = {{.what = "MM",
                                                   .needed = true,
                                                   .missing = "How long is it?",
                                                   .dimension = Dimension::Length,
                                                   .least = 1e-3,
                                                   .most = 0.5}};
inline constexpr const char* frogExamples[] = {"frog 28mm"};
inline constexpr const char* frogNoise[] = {"dead", "insulated", "unpowered", "long", "a"};
inline constexpr jot::Command frogCommand{
    "frog", {}, frogArguments, frogExamples, "a dead frog by the ruler", frog, false, frogNoise};
inline constexpr jot::Command gapCommand{
    "gap", {},    gapArguments, gapExamples, "a length of rail without power on the layout",
    gap,   false, gapNoise};
inline constexpr jot::Command creepCommand{
    "creep",
    creepWords,
    creepArguments,
    creepExamples,
    "how slowly it goes over dead places, in km/h of the prototype",
    creepAt,
    false,
    creepNoise};
inline constexpr jot::Command dirtCommand{"dirt",
                                          dirtWords,
                                          dirtArguments,
                                          dirtExamples,
                                          "how often it stutters on its layout without a bank",
                                          dirtOn};
inline constexpr jot::Command coastCommand{
    "coast",
    coastWords,
    coastArguments,
    coastExamples,
    "how far it rolls at that speed once its motor is off: a flywheel shows here",
    coast,
    false,
    coastNoise};

}  // namespace glimmet::core::stay_alive
