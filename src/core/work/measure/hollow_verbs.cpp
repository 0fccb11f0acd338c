#include "core/work/measure/hollow_verbs.h"

#include "core/analysis/placement/placement.h"
#include "core/jot/sizes.h"
#include "core/quantity/format.h"
#include "core/work/jotted.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace glimmet::core::measure {
namespace {

using namespace jot;

/// What stands behind the last " WORD " of a line, cut off it.
std::optional<std::string> cutOff(std::string& line, std::string_view word) {
    const std::string between = " " + std::string(word) + " ";
    const std::size_t at = line.rfind(between);
    if (at == std::string::npos) return {};
    const std::string behind = line.substr(at + between.size());
    line.resize(at);
    return behind;
}

struct HollowSaid {
    std::string name;
    std::array<Millimetres, 3> sizes{};
    std::optional<std::array<Millimetres, 2>> corner;  ///< from the front, above the rails
    std::optional<Millimetres> across;                 ///< its middle, left of the centre line
    std::optional<std::string> unit;
};
std::optional<HollowSaid> hollowIn(std::string rest) {
    HollowSaid said;
    const std::optional<std::string> at = cutOff(rest, "at");
    if (at) {
        // "at 5x12 in tail": the unit stands last.
        std::string corner = *at;
        said.unit = cutOff(corner, "in");
        // "at 5x12 left 3": beside the centre line.
        for (const auto& [side, sign] : {std::pair{"left", 1.0}, std::pair{"right", -1.0}}) {
            const auto by = cutOff(corner, side);
            if (!by) continue;
            const auto size = sizesIn<1>(*by);
            if (!size) return {};
            said.across = (*size)[0] * sign;
        }
        said.corner = sizesIn<2>(corner);
        if (!said.corner) return {};
    }
    const auto last = [](std::string_view words) { return words.substr(words.rfind(' ') + 1); };
    // "hood 52x14x11 in tail"; a hollow's own name may have an "in" before its measures.
    if (!at && !sizesIn<3>(last(rest))) said.unit = cutOff(rest, "in");
    const std::size_t space = rest.find_last_of(' ');
    if (space == std::string::npos) return {};
    const auto sizes = sizesIn<3>(last(rest));
    if (!sizes) return {};
    said.sizes = *sizes;
    said.name = rest.substr(0, space);
    return said;
}

bool meansUnit(const Job& job, const HollowSaid& hollow, std::size_t unit) {
    return !hollow.unit || lowered(unitCalled(job, unit)) == *hollow.unit;
}

struct HollowAt {
    Body* body = nullptr;
    Cavity* cavity = nullptr;  ///< nullptr: none goes by that name
};
/// The hollow of that name, in the first unit meant that has one.
HollowAt hollowNamed(Job& job, const HollowSaid& hollow) {
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        if (!meansUnit(job, hollow, i)) continue;
        for (Cavity& each : job.units[i].body.cavities) {
            if (lowered(each.name) == hollow.name) return {&job.units[i].body, &each};
        }
    }
    if (hollow.corner) return {};  // a new one, by its place
    // "roof" is the roof space, where only one begins so.
    HollowAt begun;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        if (!meansUnit(job, hollow, i)) continue;
        for (Cavity& each : job.units[i].body.cavities) {
            if (!lowered(each.name).starts_with(hollow.name + " ")) continue;
            if (begun.cavity) return {};
            begun = {&job.units[i].body, &each};
        }
    }
    return begun;
}

std::string hollowNames(const Job& job) {
    std::string all;
    for (const Unit& unit : job.units) {
        for (const Cavity& each : unit.body.cavities) all += (all.empty() ? "" : ", ") + each.name;
    }
    return all;
}

/// Why a hollow cannot be there, if so. Walls are thin, and a drawing is not to the tenth.
std::optional<Text> outside(const Body& body, const HollowSaid& hollow) {
    constexpr double allowed = 1.02;
    const auto corner = hollow.corner.value_or(std::array{Millimetres{0}, Millimetres{0}});
    if (corner[0] + hollow.sizes[0] > body.length * allowed) {
        return text(
            "It would end %1 from the front, and the body is %2 long. If it is longer, say "
            "so first: length 142mm.",
            formatted(corner[0] + hollow.sizes[0]), formatted(body.length));
    }
    if (corner[1] + hollow.sizes[2] > body.height * allowed) {
        return text(
            "It would reach up to %1, and the body is %2 high. If it is higher, say so "
            "first: roof 41mm.",
            formatted(corner[1] + hollow.sizes[2]), formatted(body.height));
    }
    const Millimetres aside = hollow.across.value_or(Millimetres{0});
    const Millimetres reach = Millimetres{std::abs(aside.value())} + hollow.sizes[1] / 2.0;
    if (reach > body.width / 2.0 * allowed) {
        return text(
            "It would reach %1 from the centre line, and the body is %2 wide. If it is wider, say "
            "so first: width 31mm.",
            formatted(reach), formatted(body.width));
    }
    return {};
}

Text whichUnit(const Job& job) {
    std::string all;
    for (std::size_t i = 0; i < job.units.size(); ++i)
        all += (all.empty() ? "" : ", ") + unitCalled(job, i);
    return text("In which unit is it? Say in and one of: %1.", all);
}
/// Why the unit that a line named is none of the job's, if so.
std::optional<Text> noSuchUnit(const Job& job, const HollowSaid& hollow) {
    if (!hollow.unit) return {};
    if (job.units.size() == 1) return text("There is one unit only: leave “in” out.");
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        if (meansUnit(job, hollow, i)) return {};
    }
    return whichUnit(job);
}

/// A new one, in the unit that was named or the only one.
Result<HollowAt> newHollow(Job& job, const HollowSaid& hollow) {
    std::vector<Unit>& units = job.units;
    if (units.size() > 1 && !hollow.unit) return refuse(ErrorCode::Missing, whichUnit(job));
    std::size_t at = 0;
    while (!meansUnit(job, hollow, at)) ++at;  // there is one: noSuchUnit said so
    std::vector<Cavity>& cavities = units[at].body.cavities;
    constexpr std::size_t most = 20;
    if (cavities.size() >= most) {
        return refuse(ErrorCode::OutOfRange,
                      text("A body has at most %1 hollows.", std::to_string(most)));
    }
    cavities.emplace_back();
    cavities.back().name = hollow.name;
    return HollowAt{&units[at].body, &cavities.back()};
}

}  // namespace

Result<JotResult> cavityCommand(const ParsedLine& said) {
    const auto hollow = hollowIn(lowered(said.rest));
    if (!hollow) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("Which hollow, and its length, width and height in millimetres, each 1 to "
                 "500? Write it like %1.",
                 said.command.examples.front()));
    }
    if (auto why = noSuchUnit(said.context.job, *hollow))
        return refuse(ErrorCode::Unknown, std::move(*why));
    JotResult result = jotted(said, {});
    HollowAt found = hollowNamed(result.after, *hollow);
    if (!found.cavity) {
        if (!hollow->corner) {
            const std::string all = hollowNames(said.context.job);
            return refuse(
                ErrorCode::Unknown,
                all.empty()
                    ? text("Nothing hollow is drawn in this model. Say where it is: %1.",
                           said.command.examples.back())
                    : text("No hollow goes by “%1”. There are: %2. A new one needs its place: %3.",
                           hollow->name, all, said.command.examples.back()));
        }
        auto made = newHollow(result.after, *hollow);
        if (!made) return tl::unexpected(made.error());
        found = *made;
    }
    if (auto why = outside(*found.body, *hollow))
        return refuse(ErrorCode::OutOfRange, std::move(*why));
    Cavity* one = found.cavity;
    one->length = hollow->sizes[0];
    one->width = hollow->sizes[1];
    one->height = hollow->sizes[2];
    if (hollow->corner) one->corner = {(*hollow->corner)[0], (*hollow->corner)[1]};
    if (hollow->across) one->across = *hollow->across;
    one->measured = true;
    result.meaning = text("%1, measured: %2 long, %3 wide, %4 high", one->name,
                          formatted(one->length), formatted(one->width), formatted(one->height));
    if (hollow->corner) {
        result.meaning =
            text("%1; its lower front corner %2 from the front, %3 above the rails",
                 std::move(result.meaning), formatted(one->corner.x), formatted(one->corner.z));
    }
    if (hollow->across) {
        const std::string aside = formatted(Millimetres{std::abs(one->across.value())});
        result.meaning = one->across > Millimetres{0}
                             ? text("%1, its middle %2 left of the centre line",
                                    std::move(result.meaning), aside)
                             : text("%1, its middle %2 right of the centre line",
                                    std::move(result.meaning), aside);
    }
    return result;
}

namespace {

Text fixtureWords(const Fixture& fixture) {
    return fixture.kind == FixtureKind::Weight ? text("Weight in the %1", fixture.place)
                                               : text("Speaker in the %1", fixture.place);
}

Result<JotResult> noHollow(const ParsedLine& said, const std::string& name) {
    const std::string all = hollowNames(said.context.job);
    return refuse(ErrorCode::Unknown,
                  all.empty()
                      ? text("Nothing hollow is drawn in this model. Say first where it is: "
                             "cavity smokebox 20x10x9 at 5x12.")
                      : text("No hollow goes by “%1”. There are: %2.", name, all));
}

/// "hood may go", "hood stays", "hood gone": what becomes of one that is there.
Result<JotResult> fate(const ParsedLine& said, FixtureKind kind, std::string rest) {
    enum class Fate { MayGo, Stays, Gone };
    constexpr std::pair<std::string_view, Fate> fates[] = {
        {" may be milled", Fate::MayGo}, {" may go", Fate::MayGo},    {" can go", Fate::MayGo},
        {" stays", Fate::Stays},         {" milled out", Fate::Gone}, {" milled", Fate::Gone},
        {" taken out", Fate::Gone},      {" gone", Fate::Gone},       {" out", Fate::Gone}};
    std::optional<std::string> inUnit = cutOff(rest, "in");
    const auto* told =
        std::ranges::find_if(fates, [&](const auto& each) { return rest.ends_with(each.first); });
    if (told == std::end(fates)) {
        return refuse(ErrorCode::NotUnderstood,
                      text("In which hollow, and its length, width and height in millimetres, each "
                           "1 to 500? Write it like %1.",
                           said.command.examples.front()));
    }
    rest.resize(rest.size() - told->first.size());
    HollowSaid hollow;
    hollow.name = rest;
    hollow.unit = inUnit;
    if (auto why = noSuchUnit(said.context.job, hollow))
        return refuse(ErrorCode::Unknown, std::move(*why));
    JotResult result = jotted(said, {});
    for (std::size_t i = 0; i < result.after.units.size(); ++i) {
        if (!meansUnit(result.after, hollow, i)) continue;
        std::vector<Fixture>& fixtures = result.after.units[i].fixtures;
        const auto found = std::find_if(fixtures.begin(), fixtures.end(), [&](const Fixture& each) {
            return each.kind == kind && lowered(each.place) == hollow.name;
        });
        if (found == fixtures.end()) continue;
        const Text what = fixtureWords(*found);
        if (told->second == Fate::Gone) {
            result.meaning = text("%1: gone, its room is free", what);
            fixtures.erase(found);
        } else {
            found->mayGo = told->second == Fate::MayGo;
            result.meaning = found->mayGo ? text("%1: may go if its room is needed", what)
                                          : text("%1: stays", what);
        }
        return result;
    }
    return refuse(ErrorCode::Unknown,
                  kind == FixtureKind::Weight
                      ? text("No weight is known in “%1”. Say its measures first: %2.", hollow.name,
                             said.command.examples.front())
                      : text("No speaker is known in “%1”. Say its measures first: %2.",
                             hollow.name, said.command.examples.front()));
}

/// "weight hood 30x12x8", "speaker hood 20x12x6 at 44x14".
Result<JotResult> fixture(const ParsedLine& said, FixtureKind kind) {
    const std::string rest = lowered(said.rest);
    const auto told = hollowIn(rest);
    if (!told) return fate(said, kind, rest);
    if (auto why = noSuchUnit(said.context.job, *told))
        return refuse(ErrorCode::Unknown, std::move(*why));
    JotResult result = jotted(said, {});
    const HollowAt found = hollowNamed(result.after, *told);
    if (!found.cavity) return noHollow(said, told->name);
    const Cavity& hollow = *found.cavity;
    constexpr double allowed = 1.02;
    if (told->sizes[0] > hollow.length * allowed || told->sizes[1] > hollow.width * allowed ||
        told->sizes[2] > hollow.height * allowed) {
        return refuse(ErrorCode::OutOfRange,
                      text("The %1 is %2 × %3 × %4 and does not hold it. If it is larger, say so "
                           "first: cavity %1 52x14x11.",
                           hollow.name, formatted(hollow.length), formatted(hollow.width),
                           formatted(hollow.height)));
    }
    Fixture made{kind, hollow.name, {}, told->sizes[0], told->sizes[1], told->sizes[2], false};
    if (told->corner) {
        made.at = Point{(*told->corner)[0] - hollow.corner.x, (*told->corner)[1] - hollow.corner.z};
        const Millimetres none{-0.05};
        if (made.at->x < none || made.at->z < none ||
            made.at->x + made.length > hollow.length * allowed ||
            made.at->z + made.height > hollow.height * allowed) {
            return refuse(
                ErrorCode::OutOfRange,
                text("There it would reach out of the %1, which begins %2 from the front, "
                     "%3 above the rails, and is %4 long and %5 high.",
                     hollow.name, formatted(hollow.corner.x), formatted(hollow.corner.z),
                     formatted(hollow.length), formatted(hollow.height)));
        }
    }
    for (Unit& unit : result.after.units) {
        if (&unit.body != found.body) continue;
        const auto same = [&](const Fixture& each) {
            return each.kind == kind && each.place == made.place;
        };
        for (const Fixture& each : unit.fixtures) {
            if (same(each)) made.mayGo = each.mayGo;
        }
        std::erase_if(unit.fixtures, same);
        unit.fixtures.push_back(made);
    }
    const Text measures =
        text("%1: %2 long, %3 wide, %4 high", fixtureWords(made), formatted(made.length),
             formatted(made.width), formatted(made.height));
    result.meaning =
        told->corner ? text("%1; its lower front corner %2 from the front, %3 above the rails",
                            measures, formatted((*told->corner)[0]), formatted((*told->corner)[1]))
                     : text("%1; at its rear end", measures);
    return result;
}

}  // namespace

Result<JotResult> weightCommand(const ParsedLine& said) {
    return fixture(said, FixtureKind::Weight);
}
Result<JotResult> speakerCommand(const ParsedLine& said) {
    return fixture(said, FixtureKind::Speaker);
}

}  // namespace glimmet::core::measure
