// Jots of the stay-alive.
#include "core/analysis/stay_alive/bank_state.h"
#include "core/analysis/stay_alive/hold_test.h"
#include "core/analysis/stay_alive/leak.h"
#include "core/analysis/supply.h"
#include "core/work/jotted.h"
#include "core/work/stay_alive/own_bank.h"
#include "core/work/stay_alive/pads_verb.h"
#include "core/work/stay_alive/stay_alive.h"
#include "core/work/stay_alive/track_verbs.h"
#include "core/work/units.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::stay_alive {
namespace {

using namespace jot;
using Kind = Argument::Kind;

std::vector<Named> bankNames(const Context& context) {
    std::vector<Named> all;
    for (const BankPart& bank : context.catalogue.banks) {
        all.push_back({bank.id, {bank.name}, bank.name});
    }
    all.push_back({"none", {"no"}, "takes it out"});
    const bool hidden = !context.job.bank;
    all.push_back({"turned",
                   {"reversed", "backwards", "wrong way round", "the wrong way round"},
                   "its plus was found where minus belongs",
                   hidden});
    all.push_back({"right", {}, "a new one, the right way round", hidden});
    return all;
}
/// "bank turned": how it is joined was found out. "bank right": a new one stands as it should.
Result<JotResult> wayRound(const ParsedLine& said, bool backwards) {
    JotResult result = jotted(said, backwards ? text("The bank stands the wrong way round")
                                              : text("A new bank, joined the right way round"));
    FittedBank& bank = *result.after.bank;
    bank.backwards = backwards;
    bank.dead.reset();
    bank.across.reset();
    // What was read was of the one that stood the wrong way round.
    if (!backwards) bank.measured.reset();
    return result;
}
tl::unexpected<Error> noBank() {
    return refuse(ErrorCode::Unknown,
                  text("There is no stay-alive yet. Fit one first: bank electrolytic-1000u-25."));
}

/// "in the hood", and "in series".
std::vector<Named> hollowsAndJoints(const Context& context) {
    std::vector<Named> all = placementNames(context);
    for (const Named& joint : joints(context)) all.push_back(joint);
    return all;
}
std::vector<Named> diodeKinds(const Context&) {
    return {{"schottky", {"a schottky"}, "about 0.35 V"},
            {"silicon", {"1n4001", "1n4148"}, "about 0.7 V"}};
}
Volts dropOfKind(const std::string& kind) { return Volts{kind == "schottky" ? 0.35 : 0.7}; }
/// "diode 0.35V", "diode schottky": behind a bank or its charge resistor.
std::optional<Volts> backDiode(const ParsedLine& said) {
    if (const auto& kind = said.name("DIODE")) return dropOfKind(*kind);
    return said.one<Volts>("VOLTS");
}

/// "bank in hood", "bank charge 100R diode schottky": of the one there is; nothing: another is
/// meant.
std::optional<JotResult> theOneThereIs(const ParsedLine& said) {
    const Job& job = said.context.job;
    const auto& hollow = said.name("HOLLOW");
    const bool moved = hollow && hollow != jointSaid(said);
    const auto charge = said.one<Ohms>("OHMS");
    const auto diode = backDiode(said);
    if (!job.bank || said.name("NAME") || said.one<Farads>("FARADS") ||
        (!moved && !charge && !diode)) {
        return {};
    }
    Text meaning = text("Stay-alive");
    if (moved) meaning = text("%1 in the %2", meaning, *hollow);
    if (charge) meaning = text("%1, charge resistor %2", meaning, formatted(*charge));
    if (diode) meaning = text("%1, diode %2", meaning, formatted(*diode));
    JotResult result = jotted(said, std::move(meaning));
    FittedBank& bank = *result.after.bank;
    if (moved) bank.placement = placementNamed(job, *hollow);
    if (charge || diode) bank.across.reset();
    if (charge) bank.charge = charge;
    if (diode) bank.diode = diode;
    return result;
}

/// Stock without decoder or motor carries its lamps with a capacitor behind their bridge: the line
/// that says so; nothing: a stay-alive is meant.
std::optional<std::string> asSmoothing(const ParsedLine& said) {
    const Job& job = said.context.job;
    const auto farads = said.one<Farads>("FARADS");
    const auto rated = said.one<Volts>("RATED");
    const auto charge = said.one<Ohms>("OHMS");
    if (job.decoder || !motorsOf(job).empty() || job.bank || !farads || !rated ||
        !said.at("COUNT").quantities.empty() || said.name("HOLLOW")) {
        return {};
    }
    // A diode past no resistor is part of something else.
    if (said.name("KIND") == "cell" || (backDiode(said) && !charge)) return {};
    const bool tantalum = said.name("KIND") == "tantalum";
    return std::string("smoothing ") + (tantalum ? "tantalum " : "electrolytic ") +
           asJot(Dimension::Capacitance, farads->value()) + " " +
           asJot(Dimension::Voltage, rated->value()) +
           (charge ? " charge " + asJot(Dimension::Resistance, charge->value()) : "");
}

Result<JotResult> bank(const ParsedLine& said) {
    const Job& job = said.context.job;
    if (auto line = asSmoothing(said)) {
        static const WorkshopRecord usual;
        return applyLine(*line, job, said.context.catalogue, said.context.today,
                         said.context.workshop ? *said.context.workshop : usual);
    }
    if (auto changed = theOneThereIs(said)) return *changed;
    const bool own = said.one<Farads>("FARADS").has_value();
    if (own == said.name("NAME").has_value()) {
        return refuse(ErrorCode::Missing,
                      own ? text("A bank of the catalogue, or one made up: only one of them.")
                          : text("Which bank? Write one of the catalogue, or what it is made of: "
                                 "bank 5x0.47F 2.7V series."));
    }
    if (!own &&
        (said.one<Volts>("RATED") || !said.at("COUNT").quantities.empty() || jointSaid(said) ||
         said.name("KIND") || said.name("SHARED") || !said.at("SIZE").words.empty())) {
        return refuse(ErrorCode::NotUnderstood,
                      text("What a bank of the catalogue is made of is known already."));
    }
    const std::string id = own ? ownBankId : *said.name("NAME");
    const std::optional<FittedBank>& before = said.context.job.bank;
    const auto charge = said.one<Ohms>("OHMS");
    const auto diode = backDiode(said);
    const bool bare = !charge && !diode && !said.name("HOLLOW") && !said.name("JOINT");
    if (id == "turned" || id == "right") {
        if (!before) return noBank();
        if (bare) return wayRound(said, id == "turned");
        return refuse(ErrorCode::NotUnderstood,
                      text("Which way round it stands is said by itself: bank %1.", id));
    }
    if (id == "none") {
        if (!bare) {
            return refuse(ErrorCode::NotUnderstood,
                          text("Without a bank there is nothing to charge and no place."));
        }
        JotResult result = jotted(said, text("No stay-alive"));
        result.after.bank.reset();
        return result;
    }
    FittedBank made;
    if (own) {
        auto part = ownBank(said);
        if (!part) return tl::unexpected(part.error());
        made.part = std::move(*part);
        if (said.name("SHARED")) {
            if (made.part.inSeries < 2) {
                return refuse(ErrorCode::NotUnderstood,
                              text("Resistors across each are for cells in series."));
            }
            made.part.balanced = true;
        }
    } else {
        made.part = *bankNamed(said.context.catalogue, id);
    }
    // The same again keeps what is known.
    const bool same = before && before->part.id == id && (!own || before->part == made.part);
    if (same)
        made = *before;
    else if (before && !said.name("HOLLOW"))
        made.warmth = before->warmth;  // of the place, not of the bank
    if (charge || diode) made.across.reset();
    made.charge = charge ? charge : made.charge;
    made.diode = diode ? diode : made.diode;
    Text meaning = own ? text("Stay-alive: %1, %2 at up to %3", made.part.name,
                              formatted(made.part.capacitance, 3), formatted(made.part.rated))
                       : text("Stay-alive: %1", made.part.name);
    if (said.name("SHARED")) meaning = text("%1, a resistor across each cell", meaning);
    if (charge) meaning = text("%1, charge resistor %2", meaning, formatted(*charge));
    if (diode) meaning = text("%1, diode %2", meaning, formatted(*diode));
    if (const auto& hollow = said.name("HOLLOW"); hollow && hollow != jointSaid(said)) {
        made.placement = placementNamed(said.context.job, *hollow);
        meaning = text("%1, in the %2", meaning, *hollow);
    }
    if (before && !same && before->measured) {
        meaning = text("%1; the %2 read on the one before no longer count", meaning,
                       formatted(before->measured->value));
    }
    JotResult result = jotted(said, std::move(meaning));
    result.after.bank = std::move(made);
    return result;
}

/// Of a part of the bank: its value, or none.
template <class Quantity>
Result<JotResult> part(const ParsedLine& said, std::optional<Quantity> FittedBank::*field,
                       std::string_view what, Text name) {
    if (!said.context.job.bank) return noBank();
    const auto value = said.one<Quantity>(what);
    const bool none = said.name("none").has_value();
    if (value && none) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 and none: only one of them can be.", formatted(*value)));
    }
    if (!value && !none) {
        return refuse(ErrorCode::Missing,
                      text("What value? Write it like %1.", said.command.examples.front()));
    }
    JotResult result =
        jotted(said, value ? text("%1: %2", name, formatted(*value)) : text("%1: none", name));
    FittedBank& bank = result.after.bank.value();
    bank.*field = value.value_or(Quantity{});
    bank.across.reset();  // it was read with what was there before
    return result;
}
/// "charge 1.2s": the time until its volts stand, to a twentieth: three time constants.
Result<JotResult> chargedWithin(const ParsedLine& said, Seconds time) {
    const std::optional<FittedBank>& bank = said.context.job.bank;
    if (!bank) return noBank();
    if (said.one<Ohms>("OHMS") || said.one<Volts>("VOLTS") || said.name("none")) {
        return refuse(ErrorCode::NotUnderstood,
                      text("How long it charges is read by itself: charge %1.", formatted(time)));
    }
    const Ohms resistor = pathOf(*bank).charge;
    if (!(resistor > Ohms{0})) {
        return refuse(
            ErrorCode::Missing,
            text("Nothing limits its charge, so its time tells nothing. Say what resistor "
                 "it has: charge 100R."));
    }
    const Farads real{time.value() / (3 * resistor.value())};
    if (real < Farads{1e-5} || real > Farads{10}) {
        return refuse(ErrorCode::OutOfRange,
                      text("That would be a bank of %1: read the time again.", formatted(real, 2)));
    }
    JotResult result =
        jotted(said, text("Charged within %1 through %2 (its volts stand): the bank has "
                          "%3, give or take a fifth, and %4 is printed on it",
                          formatted(time), formatted(resistor), formatted(real, 2),
                          formatted(bank->part.capacitance)));
    result.after.bank->measured = FoundCapacitance{real, said.context.today, 0.2};
    return result;
}
Result<JotResult> charge(const ParsedLine& said) {
    if (const auto time = said.one<Seconds>("TIME")) return chargedWithin(said, *time);
    auto result = part(said, &FittedBank::charge, "OHMS", text("Charge resistor"));
    const auto back = backDiode(said);
    if (result && back) {
        result->meaning = text("%1, diode %2", result->meaning, formatted(*back));
        result->after.bank->diode = *back;
    }
    return result;
}
Result<JotResult> diode(const ParsedLine& said) {
    if (const auto& kind = said.name("KIND")) {
        if (!said.context.job.bank) return noBank();
        if (said.one<Volts>("VOLTS") || said.name("none")) {
            return refuse(ErrorCode::NotUnderstood,
                          text("Its kind, or the drop that was read: one line for each."));
        }
        const Volts usual = dropOfKind(*kind);
        JotResult result =
            jotted(said, text("Diode past the charge resistor: %1, %2", *kind, formatted(usual)));
        result.after.bank->diode = usual;
        result.after.bank->across.reset();
        return result;
    }
    return part(said, &FittedBank::diode, "VOLTS", text("Diode past the charge resistor"));
}

std::vector<Named> clampSides(const Context&) {
    return {{"behind", {"across"}, "behind the charge resistor, across the bank"},
            {"before", {"in front"}, "before it, across the decoder's bus"}};
}
/// "clamp 16V 5%"
Result<JotResult> clamp(const ParsedLine& said) {
    if (!said.context.job.bank) return noBank();
    const auto volts = said.one<Volts>("VOLTS");
    const auto& within = said.at("WITHIN").quantities;
    const bool none = said.name("none").has_value();
    const auto& side = said.name("SIDE");
    if (volts.has_value() == none || (none && (side || !within.empty()))) {
        return refuse(ErrorCode::Missing, text("What is printed on it? Write it like %1.",
                                               said.command.examples.front()));
    }
    if (none) {
        JotResult result = jotted(said, text("No clamp across the bank"));
        result.after.bank->clamp.reset();
        result.after.bank->across.reset();
        return result;
    }
    BankClamp made{*volts};
    if (!within.empty()) made.tolerance = within.front();
    made.before = side == "before";
    const std::string volt = formatted(made.volts), share = percent(made.tolerance);
    JotResult result = jotted(
        said, made.before
                  ? text("A clamp of %1 within %2 before the charge resistor, across the "
                         "decoder's bus",
                         volt, share)
                  : text("A clamp of %1 within %2 across the bank, behind its charge resistor",
                         volt, share));
    result.after.bank->clamp = made;
    result.after.bank->across.reset();
    return result;
}

std::vector<Named> balancedOnly(const Context&) {
    return {{"balanced", {}, "a resistor across each cell"}};
}
std::vector<Named> balanceNames(const Context&) {
    return {{"cells", {"yes", "each"}, "a resistor across each of them"},
            {"none", {"no"}, "nothing shares the volts among them"}};
}
/// "balance cells"
Result<JotResult> balance(const ParsedLine& said) {
    const std::optional<FittedBank>& bank = said.context.job.bank;
    if (!bank || bank->part.inSeries < 2) {
        return refuse(ErrorCode::Unknown, text("Its bank is not made of cells in series."));
    }
    const bool none = *said.name("CELLS") == "none";
    JotResult result = jotted(said, none ? text("Nothing across the cells of the bank")
                                         : text("A resistor across each cell of the bank"));
    result.after.bank->part.balanced = !none;
    return result;
}

Result<JotResult> capacitance(const ParsedLine& said) {
    if (!said.context.job.bank) return noBank();
    const Farads value = *said.one<Farads>("FARADS");
    JotResult result =
        jotted(said, text("Capacitance of the bank, measured: %1", formatted(value)));
    result.after.bank->measured = FoundCapacitance{value, said.context.today};
    return result;
}

tl::unexpected<Error> notDead() {
    return refuse(ErrorCode::Unknown,
                  text("That is asked of a bank that gave nothing. Say so first: lift nothing."));
}

JobAnalysis factsNow(const ParsedLine& said) {
    static const WorkshopRules usual;
    const Context& context = said.context;
    return analysed(context.job, context.workshop ? context.workshop->house : usual,
                    context.catalogue);
}

/// Lifted off the rail with its loads on: how long it went on tells what the bank really has.
Result<JotResult> lift(const ParsedLine& said) {
    const Job& job = said.context.job;
    if (!job.bank) return noBank();
    const auto seconds = said.one<Seconds>("SECONDS");
    const bool none = said.name("nothing").has_value();
    if (seconds.has_value() == none) {
        return refuse(ErrorCode::Missing, text("How long did it go on? Write it like %1, or lift "
                                               "nothing where it stopped at once.",
                                               said.command.examples.front()));
    }
    if (none || !(*seconds > Seconds{0})) {
        JotResult result =
            jotted(said, text("Lifted off it stopped at once: the bank gave nothing"));
        // Said again it does not take away what was found out since.
        FittedBank& bank = *result.after.bank;
        if (!bank.dead) bank.dead = DeadBank{said.context.today};
        if (bank.across) bank.dead->across = bank.across->value;
        bank.across.reset();
        return result;
    }
    const Seconds held = *seconds;
    const JobAnalysis facts = factsNow(said);
    const bool still = std::string_view(said.command.word) == "fade";
    const auto told = holdTestOf(facts, *job.bank, held, still);
    if (!told) return tl::unexpected(told.error());
    FittedBank found = *job.bank;
    found.measured = FoundCapacitance{told->capacitance, said.context.today, told->within};
    const Text has = text("the bank has %1, give or take %2 (mostly: %3)",
                          formatted(told->capacitance, 2), percent(told->within), told->mostly);
    const Farads printed = found.part.capacitance;
    Text sentence =
        still ? text(
                    "Its lamps went on for %1, standing still off the rail: %2, and %3 is printed "
                    "on it",
                    formatted(held), has, formatted(printed))
              : text(
                    "Held %1 off the rail, at a crawl with every lamp lit: %2, and %3 is printed "
                    "on it",
                    formatted(held), has, formatted(printed));
    if (told->capacitance < printed * (1 - soldShort) && againstPrint(found) == AgainstPrint::Fits)
        sentence = text("%1; too rough to say that it lacks any", sentence);
    JotResult result = jotted(said, std::move(sentence));
    result.after.bank->measured = std::move(found.measured);
    result.after.bank->dead.reset();
    return result;
}

/// What the meter reads across it, on the track and full.
Result<JotResult> across(const ParsedLine& said) {
    const Job& job = said.context.job;
    if (!job.bank) return noBank();
    const Volts volts = *said.one<Volts>("VOLTS");
    if (volts < Volts{-0.3}) {
        // With the leads where plus and minus belong: it charges the wrong way round.
        JotResult backwards =
            jotted(said, text("Across the bank, on the track: %1. It is connected backwards: track "
                              "power off",
                              formatted(volts)));
        backwards.after.bank->backwards = true;
        backwards.after.bank->across.reset();
        return backwards;
    }
    const auto noted = [&](Text meaning) {
        return jotted(said, text("Across the bank, on the track: %1", std::move(meaning)));
    };
    if (job.bank->dead) {
        JotResult result = noted(verbatim(formatted(volts)));
        result.after.bank->dead->across = volts;
        result.after.bank->dead->on = said.context.today;
        return result;
    }
    if (job.bank->part.kind == BankKind::Module) {
        return refuse(ErrorCode::Unknown,
                      text("A module keeps what volts it likes: a meter across it tells nothing. "
                           "Lift it while it runs: lift 2.1s."));
    }
    const JobAnalysis facts = factsNow(said);
    const Volts belongs = belongAcross(*job.bank, busVolts(job, facts.house));
    if (!(belongs > Volts{0.1})) {
        return refuse(ErrorCode::Missing,
                      text("No volts come to the bank as the track is noted: read that first."));
    }
    const std::string read = formatted(volts), right = formatted(belongs, 3);
    if (volts <= belongs * nothingBelow) {
        JotResult result = noted(text("%1, where %2 belong: nothing charges it", read, right));
        result.after.bank->across.reset();
        result.after.bank->dead = DeadBank{said.context.today, volts};
        return result;
    }
    FittedBank found = *job.bank;
    found.across = BankVolts{volts, {}, said.context.today};
    if (job.supply.volts) found.across->belongs = belongs;
    Text meaning = text("%1; %2 belong there", read, right);
    // Once it was known to leak, a lift counted on what the leak leaves.
    if (found.measured && leakOf(facts, found) && !leakOf(facts, *job.bank)) {
        meaning = text("%1. The %2 found before counted on them: lift it once more", meaning,
                       formatted(found.measured->value, 2));
        found.measured.reset();
    }
    JotResult result = noted(std::move(meaning));
    result.after.bank = std::move(found);
    return result;
}

std::vector<Named> causeNames(const Context&) {
    return {{"joint", {"joints", "solder"}, "a lead that does not hold"},
            {"turned", {"reversed", "polarity"}, "plus where minus belongs"},
            {"link", {"ground"}, "the way to the decoder's ground"},
            {"resistor", {}, "the charge resistor"},
            {"diode", {}, "the diode past it"},
            {"setting", {"settings"}, "the hold-up in the decoder's settings"}};
}
std::vector<Named> causeEnds(const Context&) {
    return {{"found", {"it", "was it"}, "that was it, and it is put right"},
            {"right", {"fine", "good", "ok"}, "it is as it should be"}};
}
Result<JotResult> cause(const ParsedLine& said) {
    const std::optional<FittedBank>& bank = said.context.job.bank;
    if (!bank || !bank->dead) return notDead();
    const std::string& what = *said.name("CAUSE");
    const bool found = *said.name("END") == "found";
    JotResult result = jotted(
        said, found ? text("Why the bank gave nothing: %1, put right. Lift it once more", what)
                    : text("Not why the bank gives nothing: %1", what));
    if (found) {
        result.after.bank->dead.reset();
        return result;
    }
    std::vector<RuledOut>& out = result.after.bank->dead->ruledOut;
    const DeadCause one = *named<DeadCause>(what);
    std::erase_if(out, [&](const RuledOut& before) { return before.cause == one; });
    out.push_back({one, said.context.today});
    return result;
}

/// "allows 2200u": the leaflet of the decoder that is fitted.
Result<JotResult> allows(const ParsedLine& said) {
    const auto& decoder = said.context.job.decoder;
    if (!decoder) {
        return refuse(ErrorCode::Unknown, text("There is no decoder yet. Choose one first."));
    }
    const auto value = said.one<Farads>("FARADS");
    if (value.has_value() == said.name("none").has_value()) {
        return refuse(ErrorCode::Missing,
                      text("What does its leaflet allow? Write it like %1, or allows none where it "
                           "says nothing of it.",
                           said.command.examples.front()));
    }
    JotResult result =
        jotted(said, value ? text("The leaflet of %1 allows a bank of %2 at the most",
                                  decoder->part.name, formatted(*value))
                           : text("The leaflet of %1 says nothing of how large a bank may be",
                                  decoder->part.name));
    result.after.decoder->part.mostBank = value;
    return result;
}

/// "warm 60C"
Result<JotResult> warm(const ParsedLine& said) {
    if (!said.context.job.bank) return noBank();
    const Celsius value = *said.one<Celsius>("DEGREES");
    JotResult result = jotted(said, text("Where the bank lies it gets %1 warm", formatted(value)));
    result.after.bank->warmth = Measured<Celsius>{value, said.context.today};
    return result;
}

std::vector<Named> noneOnly(const Context&) { return {{"none", {"no"}, "without"}}; }

constexpr Argument back{
    .what = "VOLTS", .after = "diode", .dimension = Dimension::Voltage, .least = 0.1, .most = 1.5};
constexpr Argument backKind{
    .what = "DIODE", .kind = Kind::Name, .after = "diode", .names = diodeKinds};
constexpr Argument bankArguments[] = {
    {.what = "NAME",
     .kind = Kind::Name,
     .names = bankNames,
     .unknown = "No bank goes by “%1”. The catalogue has: %2."},
    {.what = "OHMS",
     .after = "charge",
     .dimension = Dimension::Resistance,
     .least = 1,
     .most = 10000},
    back,
    backKind,
    {.what = "COUNT", .dimension = Dimension::Ratio, .least = 1, .most = 60},
    {.what = "FARADS", .dimension = Dimension::Capacitance, .least = 1e-6, .most = 50},
    {.what = "RATED", .dimension = Dimension::Voltage, .least = 1, .most = 100, .unitNeeded = true},
    {.what = "JOINT", .kind = Kind::Name, .names = joints},
    {.what = "KIND", .kind = Kind::Name, .names = bankKinds},
    {.what = "SHARED", .kind = Kind::Name, .names = balancedOnly},
    {.what = "SIZE", .kind = Kind::Words, .after = "size"},
    {.what = "HOLLOW",
     .kind = Kind::Name,
     .after = "in",
     .names = hollowsAndJoints,
     .unknown = "No hollow goes by “%1”. There are: %2.",
     .none = "This body has no hollows."}};
constexpr Argument none{.what = "none", .kind = Kind::Name, .names = noneOnly};
constexpr Argument chargeArguments[] = {
    {.what = "OHMS", .dimension = Dimension::Resistance, .least = 1, .most = 10000},
    none,
    back,
    backKind,
    {.what = "TIME",
     .dimension = Dimension::Time,
     .least = 0.05,
     .most = 3600,
     .unitNeeded = true}};
constexpr Argument clampArguments[] = {
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 3, .most = 50},
    {.what = "WITHIN",
     .dimension = Dimension::Ratio,
     .least = 0.005,
     .most = 0.2,
     .unitNeeded = true},
    {.what = "SIDE", .kind = Kind::Name, .names = clampSides},
    none};
constexpr Argument balanceArguments[] = {
    {.what = "CELLS",
     .kind = Kind::Name,
     .needed = true,
     .missing = "A resistor across each: balance cells, or none?",
     .names = balanceNames}};
constexpr Argument diodeArguments[] = {
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 0.1, .most = 1.5},
    none,
    {.what = "KIND", .kind = Kind::Name, .names = diodeKinds}};
constexpr Argument capacitanceArguments[] = {{.what = "FARADS",
                                              .needed = true,
                                              .missing = "How many farads?",
                                              .dimension = Dimension::Capacitance,
                                              .least = 1e-5,
                                              .most = 10}};

constexpr Argument allowsArguments[] = {
    {.what = "FARADS", .dimension = Dimension::Capacitance, .least = 1e-6, .most = 50}, none};
constexpr Argument warmArguments[] = {{.what = "DEGREES",
                                       .needed = true,
                                       .missing = "How warm, by the thermometer?",
                                       .dimension = Dimension::Temperature,
                                       .least = -40,
                                       .most = 125,
                                       .zero = true}};
std::vector<Named> nothingNames(const Context&) {
    return {{"nothing", {"none", "dead", "no hold"}, "it stopped at once"}};
}
constexpr Argument liftArguments[] = {
    {.what = "SECONDS", .dimension = Dimension::Time, .least = 0.01, .most = 600, .zero = true},
    {.what = "nothing", .kind = Kind::Name, .names = nothingNames}};
constexpr Argument acrossArguments[] = {{.what = "VOLTS",
                                         .needed = true,
                                         .missing = "What does the meter read across it?",
                                         .dimension = Dimension::Voltage,
                                         .least = -30,
                                         .most = 30,
                                         .zero = true}};
constexpr Argument causeArguments[] = {{.what = "CAUSE",
                                        .kind = Kind::Name,
                                        .needed = true,
                                        .missing = "What was looked at?",
                                        .names = causeNames},
                                       {.what = "END",
                                        .kind = Kind::Name,
                                        .needed = true,
                                        .missing = "Was it that (found), or is it right?",
                                        .names = causeEnds}};

constexpr const char* bankNoise[] = {"x", "of", "and", "stay", "keep", "alive"};
constexpr const char* bankWords[] = {"stay-alive", "reserve",  "capacitor", "capacitors",
                                     "keep-alive", "supercap", "supercaps"};
constexpr const char* bankExamples[] = {"bank electrolytic-2200u-25",
                                        "bank electrolytic-2200u-25 charge 100R diode 0.35V",
                                        "bank 5x0.47F 2.7V series", "bank none"};
constexpr const char* chargeExamples[] = {"charge 100R", "charge 100R diode 0.35V", "charge none"};
constexpr const char* clampExamples[] = {"clamp 16V", "clamp 18V 2%", "clamp 16V before",
                                         "clamp none"};
constexpr const char* clampWords[] = {"zener"};
constexpr const char* balanceExamples[] = {"balance cells", "balance none"};
constexpr const char* allowsExamples[] = {"allows 2200u", "allows none"};
constexpr const char* allowsNoise[] = {"bank", "decoder", "the", "at", "most"};
constexpr const char* warmExamples[] = {"warm 60C"};
constexpr const char* warmWords[] = {"warmth"};
constexpr const char* warmNoise[] = {"it", "lies", "at", "bank", "the"};
constexpr const char* diodeExamples[] = {"diode 0.35V", "diode none"};
constexpr const char* capacitanceExamples[] = {"capacitance 1900u"};
constexpr const char* liftExamples[] = {"lift 2.1s", "lift nothing"};
constexpr const char* fadeExamples[] = {"fade 2.5s"};
constexpr const char* fadeWords[] = {"faded", "fades"};
constexpr const char* fadeNoise[] = {"lamps", "after", "it"};
constexpr const char* acrossExamples[] = {"across 12.9V"};
constexpr const char* acrossNoise[] = {"bank", "the", "it", "on", "track"};
constexpr const char* causeExamples[] = {"cause joint right", "cause diode found"};
constexpr const char* causeNoise[] = {"the", "is", "was"};
constexpr const char* liftWords[] = {"lifted", "hold", "holds", "held"};
constexpr const char* liftNoise[] = {"it", "went", "on", "for", "held"};
constexpr const char* pathNoise[] = {"resistor", "bank", "drop"};

/// "stay alive 2200uF 25V"
bool stayAlive(const std::vector<Token>& line) {
    const auto says = [&](std::size_t i, std::string_view word) {
        return i < line.size() && lowered(line[i].words) == word;
    };
    return (says(0, "stay") || says(0, "keep")) && says(1, "alive");
}

constexpr Command table[] = {
    {"bank",
     bankWords,
     bankArguments,
     bankExamples,
     "a stay-alive of the catalogue, or made up of parts, with its charge resistor and diode; none "
     "takes it out",
     bank,
     false,
     bankNoise,
     nullptr,
     jot::longestWords,
     false,
     {},
     stayAlive},
    {"charge",
     {},
     chargeArguments,
     chargeExamples,
     "the resistor that limits the bank's charge, or the time until its volts stand: charge 1.2s",
     charge,
     false,
     pathNoise},
    {"diode",
     {},
     diodeArguments,
     diodeExamples,
     "drop of the diode that gives the bank back past its resistor",
     diode,
     false,
     pathNoise},
    {"clamp", clampWords, clampArguments, clampExamples,
     "a Zener diode across the bank that keeps its volts down", clamp, false, pathNoise},
    {"balance",
     {},
     balanceArguments,
     balanceExamples,
     "a resistor across each cell of a bank in series",
     balance,
     false,
     pathNoise},
    {"allows",
     {},
     allowsArguments,
     allowsExamples,
     "how large a bank the decoder's leaflet allows",
     allows,
     false,
     allowsNoise},
    {"warm", warmWords, warmArguments, warmExamples,
     "how warm it gets where the bank lies, by a thermometer after a while of running", warm, false,
     warmNoise},
    padsCommand,
    {"lift", liftWords, liftArguments, liftExamples,
     "how long it goes on, lifted off the rail at a crawl with its lamps lit", lift, false,
     liftNoise},
    {"fade", fadeWords, liftArguments, fadeExamples,
     "how long its lamps go on, lifted off the rail while it stands still", lift, false, fadeNoise},
    {"across",
     {},
     acrossArguments,
     acrossExamples,
     "volts across a bank on the track, once it is full: whether it leaks",
     across,
     false,
     acrossNoise},
    {"cause",
     {},
     causeArguments,
     causeExamples,
     "what was looked at of a bank that gave nothing: right, or found",
     cause,
     false,
     causeNoise},
    pointsCommand,
    crossingCommand,
    threeWayCommand,
    doubleSlipCommand,
    gapCommand,
    frogCommand,
    creepCommand,
    dirtCommand,
    coastCommand,
    {"capacitance",
     {},
     capacitanceArguments,
     capacitanceExamples,
     "of the bank, measured",
     capacitance,
     false,
     pathNoise},
};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::stay_alive
