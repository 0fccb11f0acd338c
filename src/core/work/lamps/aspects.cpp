#include "core/work/lamps/aspects.h"

#include "core/analysis/function_map.h"
#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamp_sites.h"
#include "core/analysis/supply.h"
#include "core/led/led.h"
#include "core/led/resistor_choice.h"
#include "core/quantity/format.h"
#include "core/text.h"
#include "core/work/jotted.h"
#include "core/work/units.h"

#include <algorithm>
#include <optional>
#include <sstream>

namespace glimmet::core::lamps {
namespace {

using namespace jot;
using Strings = std::vector<std::string>;

Strings plainWords(std::string_view line) {
    std::istringstream in{std::string(line)};
    Strings all;
    for (std::string word; in >> word;) {
        while (!word.empty() && word.back() == ',') word.pop_back();
        if (!word.empty() && word != "and") all.push_back(lowered(word));
    }
    return all;
}

bool isColour(const std::string& wanted) {
    for (const auto& [family, word] : wordsOf(LedFamily())) {
        if (word == wanted) return true;
    }
    return false;
}

struct AspectsSaid {
    std::string name;  ///< of a site, or a name of its own
    Strings colours, outputs;
    bool stacked = false;  ///< one below the other, the first one uppermost
};
/// Words, then colours, then "on" and outputs; "stacked" behind the colours. Nothing where what
/// stands behind the first colour is none.
std::optional<AspectsSaid> aspectsIn(std::string_view rest) {
    AspectsSaid said;
    bool on = false;
    for (const std::string& word : plainWords(rest)) {
        const bool tint = word == "warm" || word == "cool";
        if (word == "stacked" && !said.colours.empty()) {
            said.stacked = true;
        } else if (on) {
            said.outputs.push_back(word);
        } else if (word == "rgb" && !said.name.empty() && said.colours.empty()) {
            said.colours = {"red", "true-green", "blue"};
        } else if (word == "on" && !said.colours.empty()) {
            on = true;
        } else if (isColour(word) && !said.colours.empty() &&
                   (said.colours.back() == "warm" || said.colours.back() == "cool")) {
            said.colours.back() += " " + word;
        } else if (isColour(word) || tint) {
            said.colours.push_back(word);
        } else if (said.colours.empty()) {
            said.name += (said.name.empty() ? "" : " ") + word;
        } else {
            return {};
        }
    }
    return said;
}

/// Lenses of a signal head: 300 mm of the prototype, and no closer than LEDs go.
Millimetres lensesApart(const Job& job) {
    return std::max(Millimetres{300} / job.scale.ratio, Millimetres{2});
}

const NamedSite* siteCalled(const std::vector<NamedSite>& sites, const std::string& name) {
    for (const NamedSite& each : sites) {
        const std::string called = lowered(each.called);
        if (called == name || called == name + " lamp") return &each;
    }
    return nullptr;
}

/// The output of a colour: by the place's direction, else one that is free, those of the direction
/// last; empty: none is.
std::string outputFor(const Job& job, const NamedSite* site, std::size_t index) {
    const bool decoder = job.decoder || !motorsOf(job).empty();
    const bool directional = decoder && site && site->site->facing != Facing::Inside && index < 2;
    if (directional) {
        const bool ahead = (site->site->facing == Facing::Front) == (index == 0);
        return ahead ? "front" : "rear";
    }
    const auto taken = [&](const std::string& output) {
        return std::ranges::any_of(job.groups,
                                   [&](const LampGroup& group) { return group.output == output; });
    };
    if (job.decoder) {
        for (const DecoderOutput& output : job.decoder->part.outputs) {
            if (output.name != "front" && output.name != "rear" && !taken(output.name))
                return output.name;
        }
        for (const char* output : {"front", "rear"}) {
            if (outputNamed(job, output) && !taken(output)) return output;
        }
        return {};
    }
    // What drives no motor gets no decoder: hands or a panel switch each colour of the supply.
    if (motorsOf(job).empty()) return supplyOutput;
    int next = 1;
    while (taken(std::to_string(next))) ++next;
    return std::to_string(next);
}

/// The group that already has a lamp at a site; nullptr: it is free.
const LampGroup* groupAt(const Job& job, const NamedSite& site) {
    for (const LampGroup& group : job.groups) {
        for (const LampRow& row : group.rows) {
            for (const Lamp& lamp : row.lamps) {
                if (lamp.fitted.unit == job.units[site.unit].id &&
                    lamp.fitted.place == site.site->name)
                    return &group;
            }
        }
    }
    return nullptr;
}

/// A group that lamps of both ends share is called by the way that it lights.
void nameByDirection(const Job& job, LampGroup& group) {
    const auto direction = directionOf(job, group.output);
    if (group.rows.size() < 2 || !direction) return;
    const char* name = direction == Direction::Forward ? "forward lamps" : "reverse lamps";
    if (!groupNamed(job, name)) group.name = name;
}

/// What is chosen for the wish, behind the row's own output.
void chooseResistor(const Job& job, LampGroup& group, std::size_t row, const WorkshopRules& house) {
    const auto state = groupState(job, group, house);
    if (!state) return;
    group.rows[row].resistor = fittedResistor(state->rows[row].ideal, group.wish);
}

/// A signal head while its lamps are put in.
struct Head {
    const ParsedLine& said;
    const AspectsSaid& told;
    const std::vector<NamedSite> sites = namedSites(said.context.job);
    const NamedSite* site = siteCalled(sites, told.name);
    /// Where the volts turn round by themselves both colours of a pair would be lit.
    bool pair = turnsRound(said.context.job) && !alternates(said.context.job.feed) &&
                !hasMotor(said.context.job);
    JotResult all = jotted(said, {});

    [[nodiscard]] std::string place() const { return site ? lowered(site->called) : told.name; }
    [[nodiscard]] const WorkshopRecord& workshop() const {
        static const WorkshopRecord usual;
        return said.context.workshop ? *said.context.workshop : usual;
    }
    [[nodiscard]] Result<JotResult> take(const std::string& line) const {
        return applyLine(line, all.after, said.context.catalogue, said.context.today, workshop());
    }
    /// How far above the place the lens of a colour sits.
    [[nodiscard]] Millimetres above(std::size_t colour) const {
        const double middle = static_cast<double>(told.colours.size() - 1) / 2;
        return lensesApart(said.context.job) *
               (told.stacked ? middle - static_cast<double>(colour) : 0.0);
    }
};

/// What a line asks for that no head of this job can be.
std::optional<Error> noSuchHead(const Head& head) {
    const AspectsSaid& told = head.told;
    const auto refused = [](Text why) {
        return std::optional(Error{ErrorCode::NotUnderstood, "jot", std::move(why)});
    };
    if (!told.outputs.empty() && told.outputs.size() != told.colours.size()) {
        return refused(text("Each colour has an output of its own: %1 colours, %2 outputs.",
                            std::to_string(told.colours.size()),
                            std::to_string(told.outputs.size())));
    }
    if (head.pair && told.colours.size() > 2)
        return refused(text("A supply that reverses has two ways round, for two colours."));
    if (head.pair && !told.outputs.empty())
        return refused(text("Without a decoder there are no outputs."));
    if (const LampGroup* there = head.site ? groupAt(head.said.context.job, *head.site) : nullptr) {
        return refused(
            text("There is a lamp already where the %1 goes. Take it out first: remove "
                 "%2.",
                 head.site->site->name, there->name));
    }
    return {};
}

/// The second colour of a pair, the other way round behind the same resistor.
Result<void> addSecond(Head& head) {
    auto other = head.take("antiparallel " + head.place() + " " + head.told.colours[1]);
    if (!other) return tl::unexpected(other.error());
    head.all.after = std::move(other->after);
    for (LampGroup& group : head.all.after.groups) {
        if (group.id == head.all.subject)
            group.rows.back().lamps.back().fitted.pose.at.z += head.above(1) - head.above(0);
    }
    return {};
}

/// A colour on an output of its own, with its resistor.
/// Errors: OutOfRange where no output is left; those of the line that puts it in.
Result<void> addColour(Head& head, std::size_t i) {
    const AspectsSaid& told = head.told;
    const Job& job = head.said.context.job;
    const std::string& colour = told.colours[i];
    const std::string name = head.pair ? head.place() : head.place() + " " + colour;
    const std::string output = head.pair              ? supplyOutput
                               : told.outputs.empty() ? outputFor(head.all.after, head.site, i)
                                                      : told.outputs[i];
    if (output.empty()) {
        return refuse(ErrorCode::OutOfRange,
                      text("No output is left for %1: each colour wants one of its own.", colour));
    }
    auto made =
        head.take("lamp " + colour + (head.pair ? "" : " on " + output) + " called " + name);
    if (!made) return tl::unexpected(made.error());
    JotResult& all = head.all;
    all.after = std::move(made->after);
    for (LampGroup& group : all.after.groups) {
        if (group.id != made->subject) continue;
        Lamp& lamp = group.rows.back().lamps.back();
        if (const NamedSite* site = head.site) {
            lamp.fitted = {job.units[site->unit].id,
                           site->site->name,
                           {site->site->at, {}, site->site->facing}};
        }
        lamp.fitted.pose.at.z += head.above(i);
        chooseResistor(all.after, group, group.rows.size() - 1,
                       houseOf(all.after, head.workshop().house));
        nameByDirection(all.after, group);
        if (all.subject.empty()) all.subject = group.id;
        const std::string ohms = formatted(group.rows.back().resistor.value_or(Ohms{0}));
        const Text one = output == supplyOutput ? text("%1 on the supply, %2", colour, ohms)
                                                : text("%1 on output %2, %3", colour, output, ohms);
        all.meaning = all.meaning.empty() ? one : text("%1; %2", std::move(all.meaning), one);
    }
    return {};
}

}  // namespace

Result<JotResult> aspectsCommand(const ParsedLine& said) {
    const auto told = aspectsIn(said.rest);
    if (!told || told->name.empty() || told->colours.size() < 2 || told->colours.size() > 4) {
        return refuse(told && !told->name.empty() && !told->colours.empty()
                          ? ErrorCode::NotUnderstood
                          : ErrorCode::Missing,
                      text("Which place, and which two or three colours there? Write it like %1.",
                           said.command.examples.front()));
    }
    Head head{said, *told};
    if (auto refused = noSuchHead(head)) return tl::unexpected(std::move(*refused));
    for (std::size_t i = 0; i < told->colours.size(); ++i) {
        const auto added = head.pair && i == 1 ? addSecond(head) : addColour(head, i);
        if (!added) return tl::unexpected(added.error());
    }
    JotResult& all = head.all;
    all.meaning = head.pair ? text("%1: %2 one way round, %3 the other (two legs)", head.place(),
                                   told->colours[0], told->colours[1])
                  : told->stacked
                      ? text("%1, one below the other: %2; they share the plus", head.place(),
                             std::move(all.meaning))
                      : text("%1: %2; they share the plus", head.place(), std::move(all.meaning));
    return std::move(all);
}

}  // namespace glimmet::core::lamps
