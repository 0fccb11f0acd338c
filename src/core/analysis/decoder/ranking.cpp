#include "core/analysis/decoder/ranking.h"

#include "core/analysis/bank_allowed.h"
#include "core/analysis/placement/making_room.h"
#include "core/analysis/supply.h"
#include "core/power/battery.h"
#include "core/quantity/format.h"

#include <algorithm>
#include <array>
#include <limits>
#include <tuple>

namespace glimmet::core::decoder {
namespace {

/// The gravest thing that was held against an aspect.
struct Held {
    Cell cell;
    Held(Aspect aspect, Text shows) : cell{aspect, State::Fine, std::move(shows), {}} {}
    /// `says`: in words, asked for only where it is the gravest so far.
    template <class Says>
    void against(State state, Says says) {
        if (state <= cell.state) return;
        cell.state = state;
        cell.says = says();
    }
};

Cell trackCell(const JobAnalysis& facts, const Decoder& decoder) {
    const Volts top = peakVolts(facts.job, facts.house);
    Held held(Aspect::Track, verbatim(formatted(decoder.largestTrack, 3)));
    held.against(stateAgainst(top.value(), decoder.largestTrack.value(), 0.95), [&] {
        return text("bears %1, the track can have %2", formatted(decoder.largestTrack),
                    formatted(top, 3));
    });
    return std::move(held.cell);
}

/// What it listens to, and whether it lasts as long as its battery.
Cell commandCell(const JobAnalysis& facts, const Decoder& decoder) {
    Held held(Aspect::Command, decoder.radio ? text("radio") : text("track"));
    const bool byRadio = facts.job.feed == Feed::BatteryRadio;
    if (byRadio && !decoder.radio) {
        held.against(State::Close,
                     [&] { return text("hears no radio: it wants a receiver before it"); });
    }
    if (!byRadio && decoder.radio) {
        held.against(State::Over,
                     [&] { return text("is commanded by radio, not over the track"); });
    }
    if (const auto& pack = facts.job.supply.pack; byRadio && pack) {
        const Volts end = voltsOf(*pack).cutOff;
        if (end < decoder.leastSupply) {
            held.against(State::Close, [&] {
                return text("stops at %1, before the battery is empty at %2",
                            formatted(decoder.leastSupply), formatted(end, 3));
            });
        }
    }
    return std::move(held.cell);
}

Cell outputsCell(const JobAnalysis& facts, const Decoder& decoder) {
    const double closeAbove = 1.0 - facts.house.closeMargin;
    std::size_t used = 0;
    Held held(Aspect::Outputs, {});
    for (std::size_t g = 0; g < facts.groups.size(); ++g) {
        const LampGroup& group = facts.job.groups[g];
        if (group.output == supplyOutput) continue;
        ++used;
        const auto output =
            std::find_if(decoder.outputs.begin(), decoder.outputs.end(),
                         [&](const DecoderOutput& each) { return each.name == group.output; });
        if (output == decoder.outputs.end()) {
            held.against(State::Over,
                         [&] { return text("has no output %1 for %2", group.output, group.name); });
            continue;
        }
        if (output->kind == OutputKind::LogicLevel || output->kind == OutputKind::LampSupply) {
            held.against(State::Over, [&] {
                return output->kind == OutputKind::LogicLevel
                           ? text("its output %1 is a logic level, for no lamp", group.output)
                           : text("its output %1 gives 1.5 V, for filament lamps", group.output);
            });
            continue;
        }
        if (!facts.groups[g]) continue;
        const double total = facts.groups[g]->total.value();
        if (!output->limit) {
            if (stateAgainst(total, usualOutputLimit.value(), closeAbove) != State::Fine)
                held.against(State::Ask, [&] {
                    return text("what its output %1 gives is not told", group.output);
                });
            continue;
        }
        held.against(stateAgainst(total, output->limit->value(), closeAbove), [&] {
            return text("its output %1 gives %2", group.output, formatted(*output->limit, 3));
        });
    }
    const auto lit = std::count_if(
        decoder.outputs.begin(), decoder.outputs.end(),
        [](const DecoderOutput& each) { return each.kind != OutputKind::LogicLevel; });
    held.cell.shows = text("%1 of %2", std::to_string(used), std::to_string(lit));
    return std::move(held.cell);
}

Cell togetherCell(const JobAnalysis& facts, const MotorEvidence& drive, const Decoder& decoder) {
    const double closeAbove = 1.0 - facts.house.closeMargin;
    const Together all = together(facts, drive, decoder);
    const bool known = all.from == RatedDemand::From::Reading;
    Held held(
        Aspect::Together,
        known ? text("%1 of %2", formatted(all.all(), 2), formatted(decoder.overall, 2))
              : text("%1 of %2", formatted(all.outputs, 2), formatted(decoder.functionTotal, 2)));
    held.against(stateAgainst(all.outputs.value(), decoder.functionTotal.value(), closeAbove), [&] {
        return text("its outputs give %1 in all", formatted(decoder.functionTotal, 3));
    });
    held.against(all.state, [&] {
        return text("gives %1 with everything on", formatted(decoder.overall, 3));
    });
    return std::move(held.cell);
}

Cell roomCell(const JobAnalysis& facts, const Decoder& decoder) {
    const Job& job = facts.job;
    Held held(Aspect::Stage, verbatim(formatted(decoder.length, 3)));
    if (job.wanted.longest && decoder.length > *job.wanted.longest) {
        held.against(State::Over, [&] {
            return text("longer than the %1 there are", formatted(*job.wanted.longest, 3));
        });
    }
    const Box box{"decoder",      decoder.name,
                  decoder.length, decoder.width,
                  decoder.height, job.decoder ? job.decoder->placement : std::nullopt};
    const auto seated = placements(job, &box);
    const Placement* placement = placementOf(seated, "decoder");
    const State state = roomState(job, placement);
    if (state == State::Fine) return std::move(held.cell);
    held.against(state, [&] {
        return state == State::Over ? text("no hollow holds it")
                                    : text("no hollow holds it as they are drawn");
    });
    return std::move(held.cell);
}

Cell socketCell(const JobAnalysis& facts, const Decoder& decoder) {
    const std::string& socket = facts.job.wanted.socket;
    Held held(Aspect::Socket, verbatim(decoder.plug.empty() ? "—" : decoder.plug));
    const bool wired = decoder.plug.empty() || decoder.plug == "hard-wired";
    if (socket.empty() || socket == decoder.plug || (socket == "none" && wired)) {
        return std::move(held.cell);
    }
    // Of a plug on leads the leads are soldered; a board has none.
    const bool onLeads = decoder.plug == "6-pin" || decoder.plug == "8-pin" ||
                         decoder.plug == "terminals" || decoder.plug == "screw terminals";
    if (socket == "none" && onLeads) return std::move(held.cell);
    held.against(State::Close, [&] {
        return socket == "none" ? text("a board without leads: it needs an adapter")
               : wired          ? text("its leads go past the %1 socket", socket)
                                : text("its plug is no %1", socket);
    });
    return std::move(held.cell);
}

Cell soundCell(const JobAnalysis& facts, const Decoder& decoder) {
    Held held(Aspect::Sound, decoder.sound ? text("yes") : text("no"));
    if (facts.job.wanted.sound && !decoder.sound && facts.job.wanted.soundRefused.empty()) {
        held.against(State::Close, [&] { return text("makes no sound"); });
    }
    return std::move(held.cell);
}

Cell stayAliveCell(const JobAnalysis& facts, const Decoder& decoder) {
    const auto words = [&]() -> Text {
        switch (decoder.stayAlive) {
            case StayAliveTerminals::None:
                return text("no place");
            case StayAliveTerminals::Pads:
                return text("pads");
            case StayAliveTerminals::TwoWire:
                return text("two wires");
            case StayAliveTerminals::Managed:
                return text("managed");
            case StayAliveTerminals::Unknown:
                break;
        }
        return text("not told");
    };
    Held held(Aspect::StayAlive, words());
    // A plain bank can be soldered to its rectifier; on a battery there is nothing to carry over.
    if (facts.job.bank && decoder.stayAlive == StayAliveTerminals::None) {
        const bool soldered =
            facts.job.bank->part.kind != BankKind::Module && facts.job.feed != Feed::BatteryRadio;
        held.against(soldered ? State::Close : State::Over, [&] {
            return soldered ? text("no pads for a stay-alive: it is soldered to the rectifier")
                            : text("has no place for a stay-alive");
        });
    }
    if (facts.job.bank && !allowsBank(decoder, facts.job.bank->part)) {
        held.against(State::Over, [&] {
            return text("allows a bank of %1 only", formatted(*decoder.mostBank));
        });
    }
    return std::move(held.cell);
}

Cell priceCell(const JobAnalysis& facts, const Decoder& decoder) {
    Held held(Aspect::Price, decoder.price
                                 ? verbatim(formatted(*decoder.price, Dimension::Ratio, 4))
                                 : text("not told"));
    const auto& most = facts.job.wanted.price;
    if (most && decoder.price && *decoder.price > *most) {
        held.against(State::Close, [&] {
            return text("costs %1", formatted(*decoder.price, Dimension::Ratio, 4));
        });
    }
    return std::move(held.cell);
}

double volumeOf(const Decoder& decoder) {
    return decoder.length.value() * decoder.width.value() * decoder.height.value();
}
double priceOf(const Decoder& decoder) {
    return decoder.price.value_or(std::numeric_limits<double>::max());
}
long lacking(const RankedDecoder& ranked, State state) {
    return std::count_if(ranked.cells.begin(), ranked.cells.end(),
                         [&](const Cell& cell) { return cell.state == state; });
}
/// What its motor limit has in hand; the larger the better where none carries the job.
double motorShare(const RankedDecoder& ranked) {
    const RatedDemand& lead = ranked.rating.deciding();
    return lead.limit > Amperes{0} ? (lead.worst / lead.limit).value() : 1.0;
}

/// What decides the order, the first first; worked out once for each.
auto keyOf(const RankedDecoder& ranked) {
    // What was asked for by name goes before what is cheaper without it.
    const auto lacks = [&](Aspect aspect) {
        return ranked.cells[static_cast<std::size_t>(aspect)].state > State::Fine ? 1 : 0;
    };
    return std::tuple(ranked.worst, lacking(ranked, State::Over),
                      lacks(Aspect::Sound) + lacks(Aspect::Command), ranked.rating.sustained(),
                      lacking(ranked, State::Ask), lacking(ranked, State::Close),
                      ranked.worst == State::Over ? motorShare(ranked) : 0.0, !ranked.atHand,
                      ranked.sameType.empty(), priceOf(*ranked.decoder), volumeOf(*ranked.decoder));
}

/// What each has that no other of those that will do has, and what it lacks beside the first.
void compared(std::vector<RankedDecoder>& all) {
    const RankedDecoder *cheapest = nullptr, *smallest = nullptr, *strongest = nullptr;
    for (const RankedDecoder& each : all) {
        if (each.worst > State::Close) continue;
        const Decoder& decoder = *each.decoder;
        if (decoder.price && (!cheapest || priceOf(decoder) < priceOf(*cheapest->decoder)))
            cheapest = &each;
        if (!smallest || volumeOf(decoder) < volumeOf(*smallest->decoder)) smallest = &each;
        if (!strongest || decoder.continuous > strongest->decoder->continuous) strongest = &each;
    }
    for (RankedDecoder& each : all) {
        if (each.atHand && each.worst <= State::Close)
            each.wins = text("in the drawer");
        else if (!each.sameType.empty() && each.worst <= State::Close)
            each.wins = text("as in %1", each.sameType);
        else if (&each == cheapest)
            each.wins = text("the cheapest that will do");
        else if (&each == smallest)
            each.wins = text("the smallest that will do");
        else if (&each == strongest)
            each.wins = text("the strongest that will do");
        const Cell& cell = each.cells[each.deciding];
        const Decoder& first = *all.front().decoder;
        if (cell.state > State::Fine) {
            each.loses = cell.says;
        } else if (each.decoder->price && first.price && *each.decoder->price > *first.price) {
            each.loses = text("costs %1 more",
                              formatted(*each.decoder->price - *first.price, Dimension::Ratio, 3));
        } else if (volumeOf(*each.decoder) > volumeOf(first) * 1.05) {
            each.loses = text("takes more room");
        }
    }
}

}  // namespace

const char* title(Aspect aspect) {
    constexpr std::array<const char*, aspects> titles{
        "Motor", "Track volts", "Command", "Outputs",    "Together",
        "Room",  "Socket",      "Sound",   "Stay-alive", "Price"};
    return titles[static_cast<std::size_t>(aspect)];
}

RankedDecoder held(const JobAnalysis& facts, const MotorEvidence& drive, const Decoder& decoder) {
    RankedDecoder made;
    made.decoder = &decoder;
    made.rating = rated(facts, drive, {decoder.continuous, decoder.peak});
    Cell motor{Aspect::Motor, made.rating.state, {}, {}};
    const RatedDemand& lead = made.rating.deciding();
    motor.shows = lead.from == RatedDemand::From::Missing
                      ? text("? of %1", formatted(lead.limit, 2))
                      : verbatim(formatted(lead.limit, 2));
    if (motor.state == State::Ask) motor.says = text("a reading is missing");
    if (motor.state == State::Close) motor.says = text("little in hand for the motor");
    if (motor.state == State::Over) motor.says = text("too small for the motor");
    made.cells = {std::move(motor),
                  trackCell(facts, decoder),
                  commandCell(facts, decoder),
                  outputsCell(facts, decoder),
                  togetherCell(facts, drive, decoder),
                  roomCell(facts, decoder),
                  socketCell(facts, decoder),
                  soundCell(facts, decoder),
                  stayAliveCell(facts, decoder),
                  priceCell(facts, decoder)};
    for (std::size_t i = 0; i < made.cells.size(); ++i) {
        if (made.cells[i].state <= made.worst) continue;
        made.worst = made.cells[i].state;
        made.deciding = i;
    }
    const auto& drawer = facts.house.decoders;
    for (const SameType& other : facts.sameType) {
        if (other.decoder == decoder.id && made.sameType.empty()) made.sameType = other.name;
    }
    made.atHand = std::binary_search(drawer.begin(), drawer.end(), decoder.id);
    return made;
}

std::vector<RankedDecoder> rankedDecoders(const JobAnalysis& facts, const MotorEvidence& drive) {
    std::vector<RankedDecoder> held;
    held.reserve(facts.catalogue.decoders.size());
    using Key = decltype(keyOf(held.front()));
    std::vector<std::pair<Key, std::size_t>> order;  // of equals the one that is listed first
    for (const Decoder& decoder : facts.catalogue.decoders) {
        held.push_back(decoder::held(facts, drive, decoder));
        order.emplace_back(keyOf(held.back()), order.size());
    }
    std::sort(order.begin(), order.end());
    std::vector<RankedDecoder> all;
    all.reserve(held.size());
    for (const auto& each : order) all.push_back(std::move(held[each.second]));
    if (!all.empty()) compared(all);
    return all;
}

}  // namespace glimmet::core::decoder
