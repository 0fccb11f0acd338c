#include "app/measure/handles.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"
#include "core/work/measure/dragged.h"

#include <QPainter>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

using core::Cavity;
using core::Millimetres;
using core::Point;

using core::measure::Grip;
using core::measure::toTenth;

constexpr qreal reach = 5;  // pixels on either side of an edge

QString number(Millimetres length) { return QString::number(toTenth(length).value(), 'g', 6); }
QString measures(Millimetres length, Millimetres width, Millimetres height) {
    return u"%1x%2x%3"_s.arg(number(length), number(width), number(height));
}

/// " in tail": of which unit a line is, where there are several.
QString ofUnit(const core::Job& job, std::size_t unit) {
    const QString called = qs(core::unitCalled(job, unit));
    return called.isEmpty() ? QString() : u" in "_s + called;
}

Dragged draggedTo(const MatView& view, const Cavity& box, const QString& start, const QString& of) {
    return {u"%1%2 at %3x%4%5"_s.arg(start, measures(box.length, box.width, box.height),
                                     number(box.corner.x), number(box.corner.z), of),
            view.box(box.corner, box.length, box.height),
            tr("%1 × %2, from %3, %4 up")
                .arg(number(box.length), number(box.height), number(box.corner.x),
                     number(box.corner.z))};
}

void addHollow(const OverlayInput& input, std::size_t unit, const Cavity& cavity) {
    const MatView& view = input.scene.units[unit];
    const QString start = u"cavity %1 "_s.arg(qs(cavity.name));
    const QString of = ofUnit(input.scene.job, unit);
    const QRectF box = view.box(cavity.corner, cavity.length, cavity.height);
    const auto drag = [view, cavity, start, of](Grip grip) {
        return [view, cavity, start, of, grip](const Point& by) {
            return draggedTo(view, core::measure::dragged(cavity, grip, by), start, of);
        };
    };
    const QString how = cavity.measured ? tr("measured") : tr("as it is drawn");
    // Under all that lies in it.
    input.targets.insert(
        input.targets.begin(),
        {box,
         tr("%1: %2 × %3 × %4, %5. Drag it or an edge to where it is; press to type its measures.")
             .arg(qs(cavity.name), qs(core::formatted(cavity.length, 3)),
                  qs(core::formatted(cavity.width, 3)), qs(core::formatted(cavity.height, 3)), how),
         start,
         {},
         {},
         drag(Grip::All)});
    const auto addEdge = [&](const QRectF& where, const QString& tip, Grip grip) {
        input.targets.push_back({where, tip, start, {}, {}, drag(grip)});
    };
    const QSizeF upright(2 * reach, qMax(box.height() - 2 * reach, reach));
    const QSizeF flat(qMax(box.width() - 2 * reach, reach), 2 * reach);
    addEdge({QPointF(box.left() - reach, box.center().y() - upright.height() / 2), upright},
            tr("Front end of the %1").arg(qs(cavity.name)), Grip::Front);
    addEdge({QPointF(box.right() - reach, box.center().y() - upright.height() / 2), upright},
            tr("Rear end of the %1").arg(qs(cavity.name)), Grip::Rear);
    addEdge({QPointF(box.center().x() - flat.width() / 2, box.bottom() - reach), flat},
            tr("Floor of the %1").arg(qs(cavity.name)), Grip::Floor);
    addEdge({QPointF(box.center().x() - flat.width() / 2, box.top() - reach), flat},
            tr("Roof of the %1").arg(qs(cavity.name)), Grip::Roof);
}

/// The press on a fixture is there already; here it learns to be dragged.
void addFixture(const OverlayInput& input, std::size_t unit, const core::Fixture& fixture) {
    const core::Unit& in = input.scene.job.units[unit];
    const auto lies = core::lies(in, fixture);
    if (!lies) return;
    const MatView& view = input.scene.units[unit];
    const QRectF where = view.box(lies->corner, lies->length, lies->height);
    const QString start = fixtureJot(fixture);
    for (Target& target : input.targets) {
        if (target.jot != start || target.where != where) continue;
        target.drag = [view, box = *lies, start,
                       of = ofUnit(input.scene.job, unit)](const Point& by) {
            return draggedTo(view, core::measure::dragged(box, Grip::All, by), start, of);
        };
    }
}

/// A mark on the ground under each axle; the line names all of its unit.
void addAxles(const OverlayInput& input, std::size_t unit) {
    const core::Body& body = input.scene.job.units[unit].body;
    const MatView& view = input.scene.units[unit];
    for (std::size_t i = 0; i < body.axles.size(); ++i) {
        const QPointF foot = view.at({body.axles[i].x, Millimetres{0}}) + QPointF(0, 12);
        QPolygonF mark;
        mark << foot << foot + QPointF(5, 8) << foot + QPointF(-5, 8);
        input.painter.setPen(Qt::NoPen);
        input.painter.setBrush(theme().matInk);
        input.painter.drawPolygon(mark);
        const auto drag = [body, view, i, of = ofUnit(input.scene.job, unit)](const Point& by) {
            const Millimetres x = core::measure::draggedAlong(body, body.axles[i].x, by.x);
            QString line = u"axles"_s;
            for (std::size_t k = 0; k < body.axles.size(); ++k)
                line += u" %1mm"_s.arg(number(k == i ? x : body.axles[k].x));
            const Millimetres across = body.axles[i].diameter;
            return Dragged{line + of, view.box({x - across / 2.0, Millimetres{0}}, across, across),
                           tr("%1 mm behind the front").arg(number(x))};
        };
        input.targets.push_back({QRectF(foot.x() - 7, foot.y() - 2, 14, 14),
                                 tr("Axle %1 of this unit stands %2 behind the front: drag it")
                                     .arg(i + 1)
                                     .arg(qs(core::formatted(body.axles[i].x, 3))),
                                 u"axles "_s,
                                 {},
                                 {},
                                 drag});
    }
}

/// What touches beside the wheels: a slider as a skate at the rail's height, a roller as a wheel, a
/// wiper as a blade.
void addCollector(const OverlayInput& input, std::size_t unit, const core::Collector& collector) {
    const MatView& view = input.scene.units[unit];
    const QPointF foot = view.at({collector.x, Millimetres{0}});
    const qreal wide = qMax<qreal>(view.size(collector.length), 6);
    QPainter& painter = input.painter;
    painter.setPen(QPen(theme().matInk, 1.4));
    painter.setBrush(theme().brass);
    switch (collector.kind) {
        case core::CollectorKind::Roller:
            painter.drawEllipse(foot - QPointF(0, 4), 4, 4);
            break;
        case core::CollectorKind::Slider:
            painter.drawRoundedRect(QRectF(foot.x() - wide / 2, foot.y() - 5, wide, 4), 2, 2);
            break;
        case core::CollectorKind::Wiper:
            painter.drawPolygon(QPolygonF() << foot + QPointF(-4, -9) << foot + QPointF(-1, -9)
                                            << foot + QPointF(4, 0) << foot + QPointF(1, 0));
            break;
    }
    painter.setBrush(Qt::NoBrush);
    const QString kind = qs(std::string(name(collector.kind)));
    const QString line = u"collector %1 %2mm"_s.arg(kind, number(collector.x));
    const QString of = ofUnit(input.scene.job, unit);
    const QRectF where(foot.x() - wide / 2 - 3, foot.y() - 12, wide + 6, 14);
    const auto drag = [line, of, where, view, body = input.scene.job.units[unit].body,
                       x = collector.x](const Point& by) {
        const Millimetres to = core::measure::draggedAlong(body, x, by.x);
        return Dragged{u"%1 to %2mm%3"_s.arg(line, number(to), of),
                       where.translated(view.size(to - x), 0),
                       tr("%1 mm behind the front").arg(number(to))};
    };
    input.targets.push_back(
        {where,
         tr("A %1, %2 behind the front, %3 long, collects: %4. Drag it to where it is.")
             .arg(kind, qs(core::formatted(collector.x, 4)),
                  qs(core::formatted(collector.length, 3)), qs(std::string(name(collector.pole)))),
         line + u' ',
         {},
         {{tr("collects from the middle conductor"), line + u" centre"_s + of},
          {tr("collects from the left rail"), line + u" left"_s + of},
          {tr("collects from the right rail"), line + u" right"_s + of},
          {tr("is taken off"), line + u" gone"_s + of}},
         drag});
}

}  // namespace

void addHandles(const OverlayInput& input) {
    for (std::size_t i = 0; i < input.scene.job.units.size(); ++i) {
        const core::Unit& unit = input.scene.job.units[i];
        for (const Cavity& cavity : unit.body.cavities) addHollow(input, i, cavity);
        for (const core::Fixture& fixture : unit.fixtures) addFixture(input, i, fixture);
        addAxles(input, i);
        for (const core::Collector& each : unit.collectors) addCollector(input, i, each);
    }
}

}  // namespace glimmet::app
