#include "core/work/decoder/judge_battery.h"

#include "core/analysis/rating.h"
#include "core/finding/answer.h"
#include "core/power/battery.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core::decoder {
namespace {

constexpr Amperes electronics{0.02};  // docs/physics.md, battery
constexpr Seconds longEnough{2 * 3600.0};
constexpr double capacities[] = {0.3, 0.5, 0.8, 1.2, 2.0, 2.6, 3.4, 5.2, 7.8};  // Ah, as sold

/// What it draws for long: the motor at work, its lamps, what makes sound.
Figure sustainedFigure(const JobAnalysis& facts, const MotorEvidence& drive) {
    const auto light = largestReading(drive.readings, MotorCondition::Light);
    const auto hauling = largestReading(drive.readings, MotorCondition::Hauling);
    const auto usual = usualCurrents(facts.job, drive);
    std::vector<Figure> parts;
    std::string formula = "I_run + I_el";
    Amperes sum = electronics;
    if (light || hauling) {
        const Amperes run = std::max(light.value_or(Amperes{0}), hauling.value_or(Amperes{0}));
        parts.push_back(figures::measured(text("Running"), "I_run", run, {},
                                          text("the larger of light and hauling"), "haul "));
        sum += run;
    } else if (usual) {
        parts.push_back(figures::assumed(text("Running"), "I_run", usual->running,
                                         text("usual for its kind, at the most"), "haul "));
        sum += usual->running;
    } else {
        return figures::missing(text("Current for long"), "I_long", Dimension::Current,
                                text("the current with its usual train"), "haul ");
    }
    parts.push_back(
        figures::assumed(text("Decoder and receiver"), "I_el", electronics, text("usual for one")));
    if (const Amperes lamps = facts.outputsOn(); lamps > Amperes{0}) {
        parts.push_back(figures::computed(text("All lamps lit"), "I_lamps", lamps, "", {}));
        formula += " + I_lamps";
        sum += lamps;
    }
    if (facts.job.decoder && facts.job.decoder->part.sound) {
        parts.push_back(figures::assumed(text("Sound"), "I_sound", soundUsual,
                                         text("usual for a small speaker")));
        formula += " + I_sound";
        sum += soundUsual;
    }
    return figures::computed(text("Current for long"), "I_long", sum, formula, std::move(parts));
}

std::string hours(Seconds time) {
    const double value = time.value() / 3600;
    return formatted(value, Dimension::Ratio, 2) + " h";
}
std::string packWords(const BatteryPack& pack) {
    return std::to_string(pack.cells) + " " + std::string(name(pack.chemistry)) + " " +
           formatted(pack.capacity);
}

/// It cannot work where the battery's own resistance takes it below its cut-off at once.
State stateOf(const BatteryPack& pack, Amperes load) {
    const PackVolts volts = voltsOf(pack);
    if (volts.nominal - load * volts.inside < volts.cutOff) return State::Over;
    return runTime(pack, load) < longEnough ? State::Close : State::Fine;
}

Text cellCaution(const BatteryPack& pack) {
    if (pack.chemistry != Chemistry::LiIon) return {};
    return text(
        "Lithium cells: only with a protection circuit and the charger made for them; never solder "
        "to a bare cell; stop where one swells or gets hot.");
}

/// The smallest battery of a kind that lasts long enough, as far as its current is known.
Option batteryOf(Chemistry chemistry, double wanted, std::optional<Amperes> load) {
    BatteryPack one{chemistry, 1, AmpereHours{capacities[0]}};
    for (const double ampereHours : capacities) {
        one.capacity = AmpereHours{ampereHours};
        if (!load || runTime(one, *load) >= longEnough) break;
    }
    const double cell = voltsOf(one).nominal.value();
    one.cells = std::clamp(static_cast<int>(wanted / cell + 0.5), 1, 12);
    Option option;
    option.what = verbatim(packWords(one));
    option.effect = load ? text("runs about %1", hours(runTime(one, *load)))
                         : text("%1", formatted(voltsOf(one).nominal, 3));
    option.state = State::Fine;
    option.jot = "battery " + packWords(one);
    return option;
}

/// Which battery it is, where nobody noted that.
void judgeUnknownPack(const Job& job, const Figure& sustained, Judging& judging) {
    // With its voltage read the kind decides nothing but how long it lasts.
    if (job.supply.volts) {
        judging.say("battery.pack", {}, State::Fine, Gravity::CouldBeBetter, [&](Finding& finding) {
            finding.sentence = text(
                "The battery makes %1; nobody noted which it is. Run time, fuse and cut-off depend "
                "on that.",
                formatted(job.supply.volts->value, 3));
            finding.figures = {sustained};
        });
        return;
    }
    judging.say("battery.pack", {}, State::Ask, Gravity::DoesNotWork, [&](Finding& finding) {
        finding.sentence = text("Which battery? Run time, fuse and cut-off depend on it.");
        finding.action = text("say which battery it carries");
        finding.figures = {sustained};
        const double wanted = job.scale.ratio < 40 ? 11.1 : 7.4;  // what its size runs on
        const auto load = sustained.value ? std::optional(Amperes{*sustained.value}) : std::nullopt;
        for (const Chemistry chemistry : {Chemistry::LiIon, Chemistry::NiMH})
            finding.options.push_back(batteryOf(chemistry, wanted, load));
    });
}

/// A battery that is known under a load that is.
struct Running {
    const BatteryPack& pack;
    Amperes load;
    Figure sustained, capacity;
    [[nodiscard]] PackVolts volts() const { return voltsOf(pack); }
    [[nodiscard]] Volts under() const { return volts().nominal - load * volts().inside; }
    [[nodiscard]] State state() const { return stateOf(pack, load); }
};

void sayRunTime(const Running& one, Finding& finding) {
    const std::string cutOff = formatted(one.volts().cutOff, 3);
    const auto fuse = fuseFor(one.load);
    const auto lasts = hours(runTime(one.pack, one.load));
    if (one.state() == State::Over) {
        finding.sentence =
            text("This battery cannot carry it: %1 pull it down to %2, below its cut-off of %3.",
                 formatted(one.load, 2), formatted(one.under(), 2), cutOff);
        finding.action = text("a larger battery");
    } else if (fuse) {
        finding.sentence = text("Runs about %1 on its battery. Fuse it with %2, cut it off at %3.",
                                lasts, formatted(*fuse), cutOff);
        if (one.state() == State::Close)
            finding.action = text("a larger battery, or know when it ends");
    } else {
        finding.sentence = text(
            "Runs about %1 on its battery; no usual fuse carries its current. Cut it off at %2.",
            lasts, cutOff);
        finding.action = text("two circuits with a fuse each");
    }
}

std::vector<Figure> runTimeFigures(const Running& one) {
    return {figures::computed(text("Run time"), "t_run", runTime(one.pack, one.load),
                              "usable · Q / I_long",
                              {one.capacity,
                               figures::assumed(text("Usable of it"), "usable", usableCapacity,
                                                text("usual for cells in use")),
                               one.sustained}),
            figures::computed(text("Volts under that current"), "V_load", one.under(),
                              "V_pack − I_long · R_in",
                              {figures::assumed(text("Volts of the pack"), "V_pack",
                                                one.volts().nominal, text("usual for its cells")),
                               figures::assumed(text("Its internal resistance"), "R_in",
                                                one.volts().inside, text("usual for its cells"))})};
}

void judgePack(const JobAnalysis& facts, const MotorEvidence& drive, Judging& judging) {
    const Figure sustained = sustainedFigure(facts, drive);
    const auto& pack = facts.job.supply.pack;
    if (!pack) return judgeUnknownPack(facts.job, sustained, judging);
    const Figure capacity = figures::chosen(
        text("Battery, printed on it"), "Q", pack->capacity,
        text("%1 cells %2", std::to_string(pack->cells), std::string(name(pack->chemistry))),
        "battery ");
    if (!sustained.value) {
        judging.say("battery.run-time", {}, State::Ask, Gravity::CouldBeBetter,
                    [&](Finding& finding) {
                        finding.sentence = text(
                            "How long its battery lasts is not known: read the current with its "
                            "usual train.");
                        finding.action = text("measure the hauling current");
                        finding.figures = {sustained, capacity};
                    });
        return;
    }
    const Running one{*pack, Amperes{*sustained.value}, sustained, capacity};
    judging.say("battery.run-time", {}, one.state(), Gravity::WorksBadly, [&](Finding& finding) {
        sayRunTime(one, finding);
        finding.figures = runTimeFigures(one);
        finding.caution = cellCaution(*pack);
        if (one.state() == State::Fine) return;
        for (const double factor : {2.0, 4.0}) {
            BatteryPack larger = *pack;
            larger.capacity = pack->capacity * factor;
            Option option;
            option.what = verbatim(packWords(larger));
            option.effect = text("runs about %1", hours(runTime(larger, one.load)));
            option.state = stateOf(larger, one.load);
            option.jot = "battery " + packWords(larger);
            finding.options.push_back(std::move(option));
        }
    });
}

/// Volts that were read and cells that were told of must go together.
void judgeVolts(const Job& job, Judging& judging) {
    const auto& read = job.supply.volts;
    if (!job.supply.pack || !read) return;
    const PackVolts volts = voltsOf(*job.supply.pack);
    const bool agree = read->value > volts.cutOff * 0.95 && read->value < volts.full * 1.05;
    judging.say(
        "battery.volts", {}, agree ? State::Fine : State::Ask, Gravity::PartDestroyed,
        [&](Finding& finding) {
            const std::string cells = packWords(*job.supply.pack);
            const std::string full = formatted(volts.full, 3);
            finding.figures = {figures::measured(text("Battery, read"), "V_read", read->value,
                                                 read->on, {}, "track "),
                               figures::assumed(text("Its cells when charged"), "V_full",
                                                volts.full, text("usual for them"), "battery ")};
            if (agree) {
                finding.sentence =
                    text("The battery reads %1, as its cells should.", formatted(read->value));
                return;
            }
            finding.sentence = text(
                "The battery was read with %1, and %2 make %3 when charged: one of the two "
                "is wrong. The reading is reckoned with.",
                formatted(read->value), cells, full);
            finding.action = text("read the battery again");
            finding.options = {answer(text("The cells are right: forget the reading"),
                                      text("reckoned with %1", full), State::Fine,
                                      "track unknown")};
        });
}

/// What wheels bring in must not meet the battery.
void judgeOpenPickups(const Job& job, Judging& judging) {
    std::size_t collecting = 0;
    for (const Unit& unit : job.units) {
        for (const Axle& axle : unit.body.axles) {
            collecting += (axle.collectsLeft ? 1U : 0U) + (axle.collectsRight ? 1U : 0U);
        }
        collecting += unit.collectors.size();
    }
    const State state = collecting > 0 ? State::Close : State::Fine;
    judging.say("battery.pickups", {}, state, Gravity::PartDestroyed, [&](Finding& finding) {
        if (state == State::Fine) {
            finding.sentence = text("No wheel collects: nothing meets the battery from the track.");
            return;
        }
        finding.sentence = text(
            "Wheels still collect: on a live track their volts meet the battery's. Cut their wires "
            "and prove it by meter.");
        finding.action = text("cut the pickups' wires");
        finding.options = {answer(text("They are cut"), text("nothing comes in from the track"),
                                  State::Fine, "pickup all none")};
    });
}

}  // namespace

void judgeBattery(const JobAnalysis& facts, const MotorEvidence& drive, Judging& judging) {
    if (facts.job.feed != Feed::BatteryRadio) return;
    judgePack(facts, drive, judging);
    judgeVolts(facts.job, judging);
    judgeOpenPickups(facts.job, judging);
}

}  // namespace glimmet::core::decoder
