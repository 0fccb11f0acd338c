// Verbs of what stands between a lamp and the eye.
#pragma once

#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"

namespace glimmet::core::lamps {

[[nodiscard]] Result<JotResult> guide(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> filter(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> diffuser(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> shadow(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> wall(const jot::ParsedLine& said);

[[nodiscard]] std::vector<jot::Named> openNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> filterNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> wallNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> linedNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> seamNames(const jot::Context&);

inline constexpr jot::Argument guideArguments[] = {
    lampGroup,
    {.what = "LENGTH", .dimension = Dimension::Length, .least = 2e-3, .most = 0.5},
    {.what = "ACROSS",
     .after = "bore",
     .dimension = Dimension::Length,
     .least = 0.1e-3,
     .most = 0.02},
    {.what = "GAP",
     .after = "gap",
     .dimension = Dimension::Length,
     .least = 0.01e-3,
     .most = 0.02,
     .zero = true},
    {.what = "none", .kind = jot::Argument::Kind::Name, .names = openNames}};
inline constexpr jot::Argument filterArguments[] = {
    lampGroup,
    {.what = "COLOUR",
     .kind = jot::Argument::Kind::Name,
     .needed = true,
     .missing = "Which colour: red, amber, green, blue?",
     .names = filterNames}};
inline constexpr jot::Argument diffuserArguments[] = {
    lampGroup, {.what = "none", .kind = jot::Argument::Kind::Name, .names = openNames}};

inline constexpr jot::Argument wallArguments[] = {
    lampGroup,
    {.what = "MATERIAL", .kind = jot::Argument::Kind::Name, .names = wallNames},
    {.what = "THICKNESS", .dimension = Dimension::Length, .least = 0.05e-3, .most = 0.02},
    {.what = "lined", .kind = jot::Argument::Kind::Name, .names = linedNames},
    {.what = "GAP",
     .after = "gap",
     .dimension = Dimension::Length,
     .least = 0.02e-3,
     .most = 0.005,
     .zero = true},
    {.what = "SEAM", .kind = jot::Argument::Kind::Name, .names = seamNames}};

inline constexpr jot::Argument shadowArguments[] = {
    lampGroup,
    {.what = "ACROSS", .dimension = Dimension::Length, .least = 0.05e-3, .most = 0.05},
    {.what = "AWAY", .after = "at", .dimension = Dimension::Length, .least = 0.1e-3, .most = 0.2},
    {.what = "none", .kind = jot::Argument::Kind::Name, .names = openNames}};
inline constexpr const char* shadowExamples[] = {"shadow front none"};
inline constexpr const char* shadowNoise[] = {"lamp", "lamps", "wire", "post", "of", "a", "on"};

inline constexpr const char* wallExamples[] = {"wall front styrene 1mm",
                                               "wall front card 0.6mm lined"};
inline constexpr const char* wallNoise[] = {"lamp", "lamps", "at", "the", "of", "seam"};
inline constexpr const char* pipeExamples[] = {"pipe front 25mm gap 1mm",
                                               "pipe front 30mm bore 1.5mm"};
inline constexpr const char* fibreExamples[] = {"fibre front 80mm bore 1mm", "fibre front none"};
inline constexpr const char* fibreWords[] = {"fiber"};
inline constexpr const char* filterExamples[] = {"filter front red", "filter front none"};
inline constexpr const char* filterWords[] = {"lacquer", "lens"};
inline constexpr const char* diffuserExamples[] = {"diffuser front", "diffuser front none"};

inline constexpr jot::Command pipeCommand{
    "pipe", {},    guideArguments, pipeExamples, "a rod of acrylic that carries a lamp's light",
    guide,  false, groupNoise};
inline constexpr jot::Command fibreCommand{
    "fibre", fibreWords, guideArguments, fibreExamples, "a fibre that carries a lamp's light",
    guide,   false,      groupNoise};
inline constexpr jot::Command filterCommand{"filter",
                                            filterWords,
                                            filterArguments,
                                            filterExamples,
                                            "a coloured glass, film or lacquer before a lamp",
                                            filter,
                                            false,
                                            groupNoise};
inline constexpr jot::Command shadowCommand{
    "shadow",
    {},
    shadowArguments,
    shadowExamples,
    "a wire or a post before a lamp, how wide and how far off: shadow front 1mm at 4mm",
    shadow,
    false,
    shadowNoise};
inline constexpr jot::Command wallCommand{
    "wall",
    {},
    wallArguments,
    wallExamples,
    "the wall round a lamp, and the gap where it comes apart: gap 0.3mm at the roof",
    wall,
    false,
    wallNoise};
inline constexpr jot::Command diffuserCommand{
    "diffuser", {},    diffuserArguments, diffuserExamples, "an opal or sanded sheet before a lamp",
    diffuser,   false, groupNoise};

}  // namespace glimmet::core::lamps
