#include "core/work/lamps/path_verbs.h"

#include "core/work/lamps/rows_changed.h"

namespace glimmet::core::lamps {

using namespace jot;

std::vector<Named> openNames(const Context&) { return {{"none", {"no"}, "nothing of it there"}}; }
std::vector<Named> filterNames(const Context&) {
    std::vector<Named> all{{"none", {"no", "clear"}, "no colour before it"}};
    for (const auto& [colour, word] : wordsOf(FilterColour())) {
        all.push_back({std::string(word), {}, "a colour before it"});
    }
    return all;
}

std::vector<Named> wallNames(const Context&) {
    return {{"styrene", {"plastic"}, "light, unpainted"},
            {"resin", {}, "cast"},
            {"card", {"cardboard", "paper"}, "printed or laid over"},
            {"wood", {"ply"}, "veneer or ply"},
            {"metal", {"brass", "tin"}, "nothing comes through it"},
            {"none", {"no"}, "not told any more"}};
}
std::vector<Named> linedNames(const Context&) {
    return {{"lined", {"foil", "black"}, "with foil or black paint, its gaps closed"},
            {"bare", {"unlined"}, "nothing inside it"}};
}
std::vector<Named> seamNames(const Context&) {
    return {{"frame", {"floor", "sole", "ground"}, "where the body sits on its frame"},
            {"roof", {"top", "eaves"}, "where the roof comes off"}};
}

namespace {

Text wallWords(const Wall& wall) {
    const std::string what = std::string(name(wall.material));
    Text made = text("a wall of %1 of %2", formatted(wall.thickness), what);
    if (wall.lined) made = text("%1, lined", std::move(made));
    if (!wall.gap) return made;
    return wall.gap->at == Seam::Roof ? text("%1, a gap of %2 under the roof", std::move(made),
                                             formatted(wall.gap->across))
                                      : text("%1, a gap of %2 along the frame", std::move(made),
                                             formatted(wall.gap->across));
}

}  // namespace

/// "wall cab styrene 1mm lined"; what is said of one that is there leaves the rest of it.
Result<JotResult> wall(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const auto thickness = said.one<Millimetres>("THICKNESS");
    const auto& material = said.name("MATERIAL");
    const auto& lined = said.name("lined");
    const auto gap = said.one<Millimetres>("GAP");
    const auto& seam = said.name("SEAM");
    if (material && *material == "none") {
        if (thickness || lined || gap || seam) {
            return refuse(ErrorCode::NotUnderstood,
                          text("None, or one of some kind: only one of them can be."));
        }
        return rowsChanged(said, *address, text("no wall told"),
                           [](LampRow& row) { row.wall.reset(); });
    }
    const LampGroup& group = said.context.job.groups[address->group];
    const auto& there = group.rows[address->wholeCircuit ? 0 : address->row].wall;
    if (!there && !(material && thickness)) {
        return refuse(ErrorCode::Missing, text("Of what, and how thick? Write it like %1.",
                                               said.command.examples.front()));
    }
    Wall made = there.value_or(Wall{});
    if (material) made.material = *named<WallMaterial>(*material);
    if (thickness) made.thickness = *thickness;
    if (lined) {
        made.lined = *lined == "lined";
        if (made.lined) made.gap.reset();  // whoever lines it closes its gaps, or says gap again
    }
    if (gap && !(*gap > Millimetres{0})) {
        if (seam) {
            return refuse(ErrorCode::NotUnderstood,
                          text("A gap of 0 mm is closed, wherever it was."));
        }
        made.gap.reset();
    } else if (gap || seam) {
        // Vehicles come off their frames, buildings lose their roofs.
        if (!made.gap) {
            if (!gap) {
                return refuse(ErrorCode::Missing,
                              text("How wide is the gap there? Write it like wall %1 gap 0.3mm.",
                                   rowOf(group, *address)));
            }
            made.gap = WallGap{*gap, isStructure(said.context.job) ? Seam::Roof : Seam::Frame};
        }
        if (gap) made.gap->across = *gap;
        if (seam) made.gap->at = *named<Seam>(*seam);
    }
    return rowsChanged(said, *address, wallWords(made), [&](LampRow& row) { row.wall = made; });
}

Result<JotResult> guide(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const auto length = said.one<Millimetres>("LENGTH");
    const auto across = said.one<Millimetres>("ACROSS");
    const auto gap = said.one<Millimetres>("GAP");
    const auto kind = *named<GuideKind>(said.command.word);
    if (said.name("none")) {
        if (length || across || gap) {
            return refuse(ErrorCode::NotUnderstood,
                          text("None, or one of some length: only one of them can be."));
        }
        return rowsChanged(said, *address, text("nothing that carries its light"),
                           [](LampRow& row) { row.path.guide.reset(); });
    }
    // What is said of one that is there leaves the rest of it.
    const LampGroup& group = said.context.job.groups[address->group];
    const auto& there = group.rows[address->wholeCircuit ? 0 : address->row].path.guide;
    const bool same = there && there->kind == kind;
    if (!length && !same) {
        return refuse(ErrorCode::Missing,
                      text("How long is it? Write it like %1.", said.command.examples.front()));
    }
    LightGuide made;
    made.kind = kind;
    if (same)
        made = *there;
    else
        made.bore = kind == GuideKind::Pipe ? usualPipeBore : usualFibreBore;
    if (length) made.length = *length;
    if (across) made.bore = *across;
    if (gap) made.gap = *gap;
    const Text called = kind == GuideKind::Pipe ? text("a light pipe") : text("a light fibre");
    const Text near = made.gap > Millimetres{0} ? text("%1 from the LED", formatted(made.gap))
                                                : text("against the LED");
    return rowsChanged(
        said, *address,
        text("%1 of %2, %3 across, %4", called, formatted(made.length), formatted(made.bore), near),
        [&](LampRow& row) { row.path.guide = made; });
}

Result<JotResult> filter(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const auto colour = named<FilterColour>(*said.name("COLOUR"));
    return rowsChanged(said, *address,
                       colour ? text("a filter before it, %1", std::string(name(*colour)))
                              : text("no filter before it"),
                       [&](LampRow& row) { row.path.filter = colour; });
}

/// "shadow front 1mm at 4mm"
Result<JotResult> shadow(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const auto across = said.one<Millimetres>("ACROSS");
    const auto away = said.one<Millimetres>("AWAY");
    if (said.name("none")) {
        if (across || away) {
            return refuse(ErrorCode::NotUnderstood,
                          text("None, or one of some width: only one of them can be."));
        }
        return rowsChanged(said, *address, text("nothing stands before it"),
                           [](LampRow& row) { row.path.obstacle.reset(); });
    }
    if (!across || !away) {
        return refuse(ErrorCode::Missing, text("How wide, and how far from the LED? Write it like "
                                               "shadow front 1mm at 4mm."));
    }
    const Obstacle made{*across, *away};
    return rowsChanged(
        said, *address,
        text("%1 of wire or post before it, %2 away", formatted(made.across), formatted(made.away)),
        [&](LampRow& row) { row.path.obstacle = made; });
}

Result<JotResult> diffuser(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const bool none = said.name("none").has_value();
    return rowsChanged(said, *address, none ? text("no diffuser") : text("a diffuser before it"),
                       [&](LampRow& row) { row.path.diffuser = !none; });
}

}  // namespace glimmet::core::lamps
