// Verbs of what stands between the supply and the lamps, and of the bodies of their resistors.
#pragma once

#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"

namespace glimmet::core::lamps {

[[nodiscard]] Result<JotResult> smoothing(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> bleed(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> driver(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> oneWay(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> package(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> toggle(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> dim(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> soft(const jot::ParsedLine& said);

[[nodiscard]] std::vector<jot::Named> capacitorNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> withoutIt(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> packageNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> poleNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> fullName(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> notSoft(const jot::Context&);

inline constexpr jot::Argument smoothingArguments[] = {
    {.what = "FARADS", .dimension = Dimension::Capacitance, .least = 1e-7, .most = 0.1},
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 4, .most = 100},
    {.what = "KIND", .kind = jot::Argument::Kind::Name, .names = capacitorNames},
    {.what = "OHMS",
     .after = "charge",
     .dimension = Dimension::Resistance,
     .least = 1,
     .most = 1e4}};
inline constexpr jot::Argument driverArguments[] = {
    lampGroup,
    {.what = "AMPS", .dimension = Dimension::Current, .least = 0.5e-3, .most = 0.5},
    {.what = "VOLTS",
     .after = "dropout",
     .dimension = Dimension::Voltage,
     .least = 0.1,
     .most = 6,
     .zero = true},
    {.what = "none", .kind = jot::Argument::Kind::Name, .names = withoutIt}};
inline constexpr jot::Argument oneWayArguments[] = {
    lampGroup, {.what = "none", .kind = jot::Argument::Kind::Name, .names = withoutIt}};
inline constexpr jot::Argument packageArguments[] = {lampGroup,
                                                     {.what = "BODY",
                                                      .kind = jot::Argument::Kind::Name,
                                                      .needed = true,
                                                      .missing = "Which body: 0603, 0805, 1/4W?",
                                                      .names = packageNames}};

inline constexpr jot::Argument toggleArguments[] = {
    lampGroup,
    {.what = "AMPS", .dimension = Dimension::Current, .least = 10e-3, .most = 20},
    {.what = "POLES", .kind = jot::Argument::Kind::Name, .names = poleNames}};

inline constexpr jot::Argument dimArguments[] = {
    lampGroup,
    {.what = "SHARE", .dimension = Dimension::Ratio, .least = 0.02, .most = 1, .unitNeeded = true},
    {.what = "full", .kind = jot::Argument::Kind::Name, .names = fullName}};

inline constexpr jot::Argument softArguments[] = {
    lampGroup,
    {.what = "SECONDS", .dimension = Dimension::Time, .least = 0.05, .most = 10},
    {.what = "none", .kind = jot::Argument::Kind::Name, .names = notSoft}};

inline constexpr const char* softExamples[] = {"soft front 0.8s", "soft front none"};
inline constexpr const char* softNoise[] = {"lamp", "lamps", "within", "in"};
inline constexpr const char* smoothingExamples[] = {
    "smoothing 330uF 25V charge 47R", "smoothing 10uF 25V tantalum", "smoothing none"};
inline constexpr const char* driverExamples[] = {"driver front 5mA",
                                                 "driver front 10mA dropout 2V"};
inline constexpr const char* oneWayExamples[] = {"oneway front", "oneway front none"};
inline constexpr const char* packageExamples[] = {"package front 1/4W", "package front 0603"};
inline constexpr const char* toggleExamples[] = {"toggle front 0.5A", "toggle front 3A two-pole"};
inline constexpr const char* toggleNoise[] = {"switch", "of"};
inline constexpr const char* dimExamples[] = {"dim front 40%", "dim front full"};
inline constexpr const char* dimWords[] = {"dimmed"};
inline constexpr const char* dimNoise[] = {"to", "lamp", "lamps"};
inline constexpr const char* smoothingNoise[] = {"capacitor", "resistor"};

inline constexpr jot::Command smoothingCommand{
    "smoothing",
    {},
    smoothingArguments,
    smoothingExamples,
    "the capacitor behind the bridge of lamps on the rails; none takes it out",
    smoothing,
    false,
    smoothingNoise};
inline constexpr jot::Argument bleedArguments[] = {
    {.what = "OHMS", .dimension = Dimension::Resistance, .least = 100, .most = 1e6},
    {.what = "none", .kind = jot::Argument::Kind::Name, .names = withoutIt}};
inline constexpr const char* bleedExamples[] = {"bleed 10k", "bleed none"};
inline constexpr jot::Command bleedCommand{
    "bleed",
    {},
    bleedArguments,
    bleedExamples,
    "a resistor that empties the capacitor behind the bridge",
    bleed,
    false,
    smoothingNoise};
inline constexpr jot::Command driverCommand{
    "driver",
    {},
    driverArguments,
    driverExamples,
    "a driver that keeps the lamps' current, instead of resistors",
    driver,
    false,
    groupNoise};
inline constexpr jot::Command oneWayCommand{
    "oneway",
    {},
    oneWayArguments,
    oneWayExamples,
    "a diode before lamps on plain DC: they light in one direction",
    oneWay,
    false,
    groupNoise};
inline constexpr jot::Command dimCommand{
    "dim", dimWords, dimArguments, dimExamples, "the share of its light that the decoder is set to",
    dim,   false,    dimNoise};
inline constexpr jot::Command softCommand{"soft",
                                          {},
                                          softArguments,
                                          softExamples,
                                          "in how long the decoder lets a lamp come on and go",
                                          soft,
                                          false,
                                          softNoise};
inline constexpr jot::Command toggleCommand{"toggle",
                                            {},
                                            toggleArguments,
                                            toggleExamples,
                                            "the switch that a lamp hangs behind, by its amps",
                                            toggle,
                                            false,
                                            toggleNoise};
inline constexpr jot::Command packageCommand{
    "package", {},    packageArguments, packageExamples, "the body of the resistor that is fitted",
    package,   false, groupNoise};

}  // namespace glimmet::core::lamps
