// Verbs of a lamp on the bench and in the model: what a tester shows, its joints, its leads, what
// is seen and read of it once it is in.
#pragma once

#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"

namespace glimmet::core::lamps {

[[nodiscard]] Result<JotResult> tester(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> joint(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> leads(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> seenLamp(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> bore(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> lot(const jot::ParsedLine& said);

[[nodiscard]] std::vector<jot::Named> lookNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> testerNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> throughNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> jointNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> plusNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> minusNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> seenNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> noneOfIt(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> lotNames(const jot::Context&);

inline constexpr jot::Argument testerArguments[] = {
    lampGroup,
    {.what = "LOOK",
     .kind = jot::Argument::Kind::Name,
     .needed = true,
     .missing = "What was seen: lit, dim, dark, or reversed?",
     .names = lookNames},
    {.what = "TESTER", .kind = jot::Argument::Kind::Name, .after = "at", .names = testerNames},
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 0.5, .most = 30},
    {.what = "THROUGH", .kind = jot::Argument::Kind::Name, .after = "with", .names = throughNames}};
inline constexpr jot::Argument jointArguments[] = {
    lampGroup,
    {.what = "JOINTS",
     .kind = jot::Argument::Kind::Name,
     .needed = true,
     .missing = "How far are they: tacked, soldered, sleeved, or proved?",
     .names = jointNames}};
inline constexpr jot::Argument leadsArguments[] = {
    lampGroup,
    {.what = "PLUS", .kind = jot::Argument::Kind::Name, .after = "plus", .names = plusNames},
    {.what = "MINUS", .kind = jot::Argument::Kind::Name, .after = "minus", .names = minusNames},
    {.what = "WHERE", .kind = jot::Argument::Kind::Words, .after = "to"}};
inline constexpr jot::Argument seenArguments[] = {
    lampGroup,
    {.what = "LIGHT", .kind = jot::Argument::Kind::Name, .names = seenNames},
    {.what = "AMPS", .dimension = Dimension::Current, .least = 1e-6, .most = 2}};

[[nodiscard]] std::vector<jot::Named> holdsNames(const jot::Context& context);
inline constexpr jot::Argument boreArguments[] = {
    lampGroup,
    {.what = "ACROSS", .dimension = Dimension::Length, .least = 0.2e-3, .most = 0.02},
    {.what = "DEPTH",
     .after = "deep",
     .dimension = Dimension::Length,
     .least = 0.2e-3,
     .most = 0.2},
    {.what = "none", .kind = jot::Argument::Kind::Name, .names = noneOfIt},
    {.what = "HOLDS", .kind = jot::Argument::Kind::Name, .names = holdsNames}};
inline constexpr jot::Argument lotArguments[] = {
    lampGroup,
    {.what = "LOT",
     .kind = jot::Argument::Kind::Name,
     .needed = true,
     .missing = "Which lot is it from? Number them: 1, 2, 3.",
     .names = lotNames}};

inline constexpr const char* boreExamples[] = {"bore rear lamp 2.4mm", "bore rear lamp none"};
inline constexpr const char* boreWords[] = {"hole", "drilled"};
inline constexpr const char* lotExamples[] = {"lot rear lamp 2", "lot rear lamp none"};
inline constexpr const char* lotWords[] = {"batch"};
inline constexpr const char* testerExamples[] = {
    "tester rear lamp lit", "tester rear lamp reversed", "tester rear lamp dim at cell"};
inline constexpr const char* jointExamples[] = {"joint rear lamp soldered",
                                                "joint rear lamp proved"};
inline constexpr const char* leadsExamples[] = {"leads rear lamp plus blue",
                                                "leads rear lamp minus yellow"};
inline constexpr const char* leadsWords[] = {"lead"};
inline constexpr const char* seenExamples[] = {"seen rear lamp lit-room", "seen rear lamp 3.2mA"};
inline constexpr const char* seenNoise[] = {"lamp", "lamps", "in", "the", "only", "a"};

inline constexpr const char* testerNoise[] = {"lamp", "on", "the", "a", "it"};
inline constexpr jot::Command testerCommand{
    "tester",
    {},
    testerArguments,
    testerExamples,
    "what a lamp shows at the 9 V tester, a cell, a diode test "
    "or a supply",
    tester,
    false,
    testerNoise};
inline constexpr const char* jointWords[] = {"joints", "twisted", "tacked", "soldered", "sleeved"};
inline constexpr jot::Command jointCommand{
    "joint", jointWords, jointArguments, jointExamples, "how far the joints of a lamp are",
    joint,   false,      groupNoise};
inline constexpr jot::Command leadsCommand{"leads",
                                           leadsWords,
                                           leadsArguments,
                                           leadsExamples,
                                           "the colour of a lamp's lead, and what it goes to",
                                           leads};
inline constexpr jot::Command seenCommand{"seen",
                                          {},
                                          seenArguments,
                                          seenExamples,
                                          "what is seen or read of a lamp that is in the model",
                                          seenLamp,
                                          false,
                                          seenNoise};

inline constexpr jot::Command boreCommand{
    "bore",
    boreWords,
    boreArguments,
    boreExamples,
    "the hole that a lamp goes into, by its drill; deep 6mm where it ends",
    bore,
    false,
    groupNoise};
inline constexpr jot::Command lotCommand{
    "lot",
    lotWords,
    lotArguments,
    lotExamples,
    "the lot that a lamp came from, by its number: a bag, an order",
    lot,
    false,
    groupNoise};

}  // namespace glimmet::core::lamps
