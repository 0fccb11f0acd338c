#include "store/fields/io.h"

#include <algorithm>

namespace glimmet::store {
namespace {

template <class Io, class Self>
void placedLampFields(Io& io, Self& lamp) {
    io("fitted", lamp.fitted);
    io("part", lamp.part);
    io("measured", lamp.measured, Maybe);
    io("across", lamp.parallel, Maybe);
    io("lot", lamp.lot, Maybe, unsearched(characters(40)));
}

template <class Io, class Self>
void boreFields(Io& io, Self& bore) {
    io("across", bore.across, Required, upTo(50));
    io("depth", bore.depth, Maybe, upTo(500));
    io("holds", bore.holds, Maybe);
}

template <class Io, class Self>
void wallFields(Io& io, Self& wall) {
    io("material", wall.material);
    io("thickness", wall.thickness, Required, upTo(50));
    io("lined", wall.lined, Maybe);
    io("gap", wall.gap, Maybe);
}

template <class Io, class Self>
void wallGapFields(Io& io, Self& gap) {
    io("across", gap.across, Required, upTo(20));
    io("at", gap.at, Maybe);
}

template <class Io, class Self>
void switchFields(Io& io, Self& contact) {
    io("limit", contact.limit, Required, upTo(20));
    io("poles", contact.poles, Maybe, within(1, 2));
}

template <class Io, class Self>
void guideFields(Io& io, Self& guide) {
    io("kind", guide.kind);
    io("length", guide.length, Required, upTo(500));
    io("bore", guide.bore, Required, upTo(20));
    io("gap", guide.gap, Maybe, from0To(100));
}

template <class Io, class Self>
void obstacleFields(Io& io, Self& obstacle) {
    io("across", obstacle.across, Required, upTo(100));
    io("away", obstacle.away, Required, upTo(500));
}

template <class Io, class Self>
void pathFields(Io& io, Self& path) {
    io("guide", path.guide, Maybe);
    io("filter", path.filter, Maybe);
    io("diffuser", path.diffuser, Maybe);
    io("obstacle", path.obstacle, Maybe);
}

bool hasAcross(const core::LampRow& row) {
    return std::any_of(row.lamps.begin(), row.lamps.end(),
                       [](const core::Lamp& lamp) { return lamp.parallel; });
}

template <class Io, class Self>
void rowFields(Io& io, Self& row) {
    io("resistor", row.resistor, OrNull, from0To(1e7));
    io("lamps", row.lamps, Required, members(1, 1000));
    io("tested", row.tested, Maybe);
    io("package", row.package, Maybe);
    io("path", row.path, Maybe);
    io("turned", row.backwards, Maybe);
    io("installed", row.installed, Maybe);
    io("bore", row.bore, Maybe);
    io("wall", row.wall, Maybe);
    io.holds(
        "lamps", [&] { return !row.lamps.front().parallel && !(row.isBulbs() && hasAcross(row)); },
        "a lamp across nothing", "across only at an LED behind another of its row");
}

template <class Io, class Self>
void testedFields(Io& io, Self& tested) {
    io("look", tested.look);
    io("on", tested.on, Maybe, date);
    io("with", tested.with, Maybe);
}

template <class Io, class Self>
void testerFields(Io& io, Self& tester) {
    io("kind", tester.kind, Maybe);
    io("volts", tester.volts, Maybe, upTo(40));
    io("resistor", tester.resistor, Maybe);
    io("others", tester.others, Maybe);
    io.holds(
        "others", [&] { return !(tester.others && tester.resistor); }, "held to two places at once",
        "to its resistor, or to the wires of its group");
}

template <class Io, class Self>
void leadFields(Io& io, Self& lead) {
    io("colour", lead.colour, Required, unsearched(characters(40)));
    io("to", lead.to, Maybe, characters(400));
}

template <class Io, class Self>
void installedFields(Io& io, Self& installed) {
    io("joints", installed.joints, Maybe);
    io("on", installed.on, Maybe, date);
    io("plus", installed.plus, Maybe);
    io("minus", installed.minus, Maybe);
    io("current", installed.current, Maybe);
    io("seen", installed.seen, Maybe);
}

template <class Io, class Self>
void ownFields(Io&, Self&) {}

template <class Io, class Self>
void sharedFields(Io& io, Self& shared) {
    io("value", shared.value, Required, upTo(1e7));
}

template <class Io, class Self>
void driverFields(Io& io, Self& driver) {
    io("current", driver.current, Required, upTo(5));
    io("dropout", driver.dropout, Required, from0To(20));
}

/// How the rows are connected, and its own values.
template <class Io, class Self>
void groupFields(Io& io, Self& group) {
    io("id", group.id, Required, identity);
    io("name", group.name, Required, characters(400, 1));
    io("output", group.output, Required, unsearched(characters(40)));
    io("connection", group.connection);
    io("switch", group.contact, Maybe);
    io("dimmed", group.dimmed, Maybe, within(0.01, 1));
    io("soft", group.soft, Maybe, from0To(60));
    io("one_way", group.oneWay, Maybe);
    io("target", group.wish.target, Required, upTo(1));
    io("target_usual", group.usualTarget, Maybe);
    io("series", group.wish.series);
    io("policy", group.wish.policy);
    io("rows", group.rows, Required, members(1, 1000));
    io.holds(
        "rows",
        [&] {
            for (const core::LampRow& row : group.rows) {
                for (const core::Lamp& lamp : row.lamps) {
                    if (lamp.part.filament.has_value() != group.isBulbs()) return false;
                }
            }
            return true;
        },
        "bulbs and LEDs in one group", "bulbs in every row, or LEDs in every row");
}

template <class Io, class Self>
void connectionFields(Io& io, Self& connection) {
    io.oneOf("kind", connection, {"own", "shared", "driver"});
}

}  // namespace

GLIMMET_FIELDS(core::Lamp, placedLampFields)
GLIMMET_FIELDS(core::LightGuide, guideFields)
GLIMMET_FIELDS(core::Obstacle, obstacleFields)
GLIMMET_FIELDS(core::LightPath, pathFields)
GLIMMET_FIELDS(core::Bore, boreFields)
GLIMMET_FIELDS(core::WallGap, wallGapFields)
GLIMMET_FIELDS(core::Wall, wallFields)
GLIMMET_FIELDS(core::LampSwitch, switchFields)
GLIMMET_FIELDS(core::LampRow, rowFields)
GLIMMET_FIELDS(core::Tester, testerFields)
GLIMMET_FIELDS(core::Tested, testedFields)
GLIMMET_FIELDS(core::Lead, leadFields)
GLIMMET_FIELDS(core::Installed, installedFields)
GLIMMET_FIELDS(core::OwnResistors, ownFields)
GLIMMET_FIELDS(core::SharedResistor, sharedFields)
GLIMMET_FIELDS(core::ThroughDriver, driverFields)
GLIMMET_FIELDS(core::Connection, connectionFields)
GLIMMET_FIELDS(core::LampGroup, groupFields)

}  // namespace glimmet::store
