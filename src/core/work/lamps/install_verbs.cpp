#include "core/work/lamps/install_verbs.h"

#include "core/analysis/lamps/tester.h"
#include "core/quantity/format.h"
#include "core/work/lamps/rows_changed.h"

namespace glimmet::core::lamps {

using namespace jot;

std::vector<Named> lookNames(const Context&) {
    return {{"lit", {"lights", "bright"}, "it lights"},
            {"dim", {"glows"}, "it only glows"},
            {"dark", {"nothing"}, "nothing is seen"},
            {"reversed", {"backwards"}, "it lights with the tester the other way round"},
            {"blinks", {"flashes", "flickers", "blinking"}, "it lights by turns"},
            {"steady", {"does not blink"}, "it lights without a break"}};
}
std::vector<Named> testerNames(const Context&) {
    return {{"block", {"the block"}, "9 V behind 1 kΩ"},
            {"cell", {"a cell", "coin cell", "a coin cell"}, "3 V, some 15 Ω of its own"},
            {"diode-test",
             {"diode test", "meter", "the diode test"},
             "a meter's: 3 V behind some 1 kΩ"},
            {"supply", {"a supply"}, "at the volts that are said, limited to 20 mA"}};
}
std::vector<Named> throughNames(const Context&) {
    return {{"resistor", {"its resistor"}, "held to the row with its resistor"},
            {"others", {"the others", "all"}, "held to the two wires of its group"}};
}
std::vector<Named> jointNames(const Context&) {
    return {{"twisted", {"only twisted"}, "not soldered"},
            {"tacked", {"tack"}, "to be done again"},
            {"soldered", {}, "bare"},
            {"sleeved",
             {"insulated", "soldered and sleeved", "soldered sleeved", "shrunk"},
             "soldered, and covered"},
            {"proved", {"tried"}, "it was lit from its own output"},
            {"none", {"open"}, "not joined"}};
}

namespace {
constexpr const char* insulation[] = {"red",    "black", "orange", "grey",  "blue", "white",
                                      "yellow", "green", "violet", "brown", "pink", "bare"};
std::vector<Named> insulations(const char* says) {
    std::vector<Named> all;
    for (const char* colour : insulation) all.push_back({colour, {}, says});
    // The legs of an LED as it comes.
    all.push_back({"long", {"long leg", "long lead", "the long leg"}, "its longer leg"});
    all.push_back({"short", {"short leg", "short lead", "the short leg"}, "its shorter leg"});
    return all;
}

Text lead(const char* which, const Lead& lead) {
    return lead.to.empty() ? text("%1 lead %2", which, lead.colour)
                           : text("%1 lead %2, to %3", which, lead.colour, lead.to);
}

}  // namespace

std::vector<Named> plusNames(const Context&) { return insulations("of the lead to the plus"); }
std::vector<Named> minusNames(const Context&) { return insulations("of the other lead"); }
std::vector<Named> seenNames(const Context&) {
    return {{"lit-room", {"lit room", "light", "daylight"}, "also with the room lights on"},
            {"dark-room", {"dark room", "dark"}, "only with them off"},
            {"never", {"not"}, "not at all"}};
}

Result<JotResult> tester(const ParsedLine& said) {
    // The whole group shows the same; held to its wires it is one row's affair.
    const auto address = said.name("THROUGH") == "others" ? oneRow(said) : addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const LampGroup& before = said.context.job.groups[address->group];
    if (before.isBulbs()) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("9 V behind 1 kΩ light no bulb. Read its ohms: cold some %1.",
                 formatted(coldResistance(*before.rows[address->row].lamps.front().part.filament),
                           2)));
    }
    Tester with;
    with.volts = said.one<Volts>("VOLTS");
    if (const auto& kind = said.name("TESTER")) with.kind = *named<TesterKind>(*kind);
    if (with.volts && with.kind != TesterKind::Supply) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("Only a supply is set to some volts: at supply %1.", formatted(*with.volts)));
    }
    if (with.kind == TesterKind::Supply && !with.volts) {
        return refuse(ErrorCode::Missing, text("A supply at how many volts? Write it like at "
                                               "supply 5V."));
    }
    with.resistor = said.name("THROUGH") == "resistor";
    with.others = said.name("THROUGH") == "others";
    const LampRow& row = before.rows[address->row];
    if (with.others && (before.rows.size() < 2 || before.driver())) {
        return refuse(ErrorCode::Unknown,
                      before.driver()
                          ? text("Behind a driver a tester tells nothing: hold it to the lamps.")
                          : text("%1 has no others beside it.", rowOf(before, *address)));
    }
    if ((with.resistor || with.others) && !row.resistor) {
        return refuse(ErrorCode::Missing,
                      text("No resistor is chosen for %1 yet.", rowOf(before, *address)));
    }
    const std::string& look = *said.name("LOOK");
    // A chip that blinks is lit when it does; what it should not do points to another lamp.
    const bool chip = std::any_of(row.lamps.begin(), row.lamps.end(),
                                  [](const Lamp& lamp) { return lamp.part.blink.has_value(); });
    if (look == "blinks" && !chip) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is on record without a blinking chip. Say what it is first: lamp %1 "
                           "%2 blinker.",
                           before.name, std::string(name(row.lamps.front().part.family))));
    }
    if (look == "steady" && chip) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("%1 is on record as a blinker. If it is a plain LED, say so: lamp %1 %2.",
                 before.name, std::string(name(row.lamps.front().part.family))));
    }
    const TesterLook seen = named<TesterLook>(look).value_or(TesterLook::Lit);
    JotResult result = jotted(
        said, with.resistor ? text("At %1 %2 with its resistor: %3", called(with),
                                   rowOf(before, *address), look)
              : with.others ? text("At %1, held to the wires of its group, %2: %3", called(with),
                                   rowOf(before, *address), look)
                            : text("At %1 %2: %3", called(with), rowOf(before, *address), look));
    result.subject = before.id;
    std::vector<LampRow>& rows = result.after.groups[address->group].rows;
    for (std::size_t r = 0; r < rows.size(); ++r) {
        if (address->wholeCircuit || r == address->row)
            rows[r].tested = Tested{seen, said.context.today, with};
    }
    return result;
}

std::vector<Named> lotNames(const Context&) {
    std::vector<Named> all{{"none", {"no"}, "not told any more"}};
    for (int number = 1; number <= 12; ++number) {
        all.push_back({std::to_string(number), {}, "a bag, a drawer, an order"});
    }
    return all;
}
std::vector<Named> noneOfIt(const Context&) { return {{"none", {"no"}, "not told any more"}}; }

std::vector<Named> holdsNames(const Context&) {
    return {{"holds", {"it holds", "fits", "snug"}, "tried, and it stays in"}};
}

/// "bore front 2.4mm deep 6mm"
Result<JotResult> bore(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const auto across = said.one<Millimetres>("ACROSS");
    const auto depth = said.one<Millimetres>("DEPTH");
    if (said.name("none")) {
        if (across || depth) {
            return refuse(ErrorCode::NotUnderstood,
                          text("None, or one of some size: only one of them can be."));
        }
        return rowsChanged(said, *address, text("no hole told"),
                           [](LampRow& row) { row.bore.reset(); });
    }
    const LampGroup& group = said.context.job.groups[address->group];
    const auto& there = group.rows[address->wholeCircuit ? 0 : address->row].bore;
    if (said.name("HOLDS")) {
        if (across && !depth) {
            const Bore made{*across, there ? there->depth : Bore{}.depth, true};
            return rowsChanged(said, *address,
                               text("a hole of %1, tried: it holds", formatted(*across)),
                               [&](LampRow& row) { row.bore = made; });
        }
        if (!there || depth) {
            return refuse(
                ErrorCode::Missing,
                text("Which hole does it hold in? Say it first: bore %1 3mm.", group.name));
        }
        return rowsChanged(said, *address,
                           text("tried in its hole of %1: it holds", formatted(there->across)),
                           [](LampRow& row) {
                               if (row.bore) row.bore->holds = true;
                           });
    }
    if (!across && !there) {
        return refuse(ErrorCode::Missing,
                      text("By what drill? Write it like %1.", said.command.examples.front()));
    }
    Bore made = there.value_or(Bore{});
    if (across) made.across = *across;
    made.holds = false;  // it was tried in another one
    if (depth) made.depth = *depth;
    return rowsChanged(
        said, *address,
        made.depth ? text("a hole of %1, %2 deep", formatted(made.across), formatted(*made.depth))
                   : text("a hole of %1, right through", formatted(made.across)),
        [&](LampRow& row) { row.bore = made; });
}

/// "lot front/2 3"
Result<JotResult> lot(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const std::string& told = *said.name("LOT");
    const std::string from = told == "none" ? std::string() : told;
    return rowsChanged(said, *address,
                       from.empty() ? text("no lot told") : text("from lot %1", from),
                       [&](LampRow& row) {
                           for (Lamp& lamp : row.lamps) lamp.lot = from;
                       });
}

Result<JotResult> joint(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const std::string& joints = *said.name("JOINTS");
    const auto how = named<Joints>(joints);
    return rowsChanged(said, *address,
                       how ? text("its joints are %1", joints) : text("it is not joined"),
                       [&](LampRow& row) {
                           row.installed.joints = how;
                           row.installed.on = how ? said.context.today : std::string();
                       });
}

Result<JotResult> leads(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const auto& plus = said.name("PLUS");
    const auto& minus = said.name("MINUS");
    const std::string& to = said.at("WHERE").words;
    if (!plus && !minus) {
        return refuse(ErrorCode::Missing, text("Which colour has which lead? Write it like %1.",
                                               said.command.examples.front()));
    }
    if (plus && minus && !to.empty()) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Which of the two goes to %1? Say one lead in a line.", to));
    }
    const Lead ofPlus{plus.value_or(""), plus && !minus ? to : ""};
    const Lead ofMinus{minus.value_or(""), minus && !plus ? to : ""};
    Text what = plus ? lead("plus", ofPlus) : lead("minus", ofMinus);
    if (plus && minus) what = text("%1, %2", std::move(what), lead("minus", ofMinus));
    return rowsChanged(said, *address, std::move(what), [&](LampRow& row) {
        if (plus) row.installed.plus = ofPlus;
        if (minus) row.installed.minus = ofMinus;
    });
}

Result<JotResult> seenLamp(const ParsedLine& said) {
    const auto amps = said.one<Amperes>("AMPS");
    const auto& light = said.name("LIGHT");
    // What is seen may be seen of all of them; a current is one row's.
    const auto address = amps ? oneRow(said) : addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    if (!amps && !light) {
        return refuse(ErrorCode::Missing,
                      text("What is seen: in a lit room, in a dark room, never; or what current?"));
    }
    const auto in = light ? named<SeenIn>(*light) : std::nullopt;
    Text what = !in                       ? verbatim(formatted(*amps))
                : *in == SeenIn::LitRoom  ? text("seen in a lit room")
                : *in == SeenIn::DarkRoom ? text("seen in a dark room only")
                                          : text("not seen at all");
    if (in && amps) what = text("%1, %2", std::move(what), formatted(*amps));
    return rowsChanged(said, *address, std::move(what), [&](LampRow& row) {
        if (amps) row.installed.current = Measured<Amperes>{*amps, said.context.today};
        if (in) row.installed.seen = in;
    });
}

}  // namespace glimmet::core::lamps
