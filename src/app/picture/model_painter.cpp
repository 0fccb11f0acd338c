#include "app/picture/scene.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/placement/placement.h"
#include "core/quantity/format.h"

#include <QCoreApplication>
#include <QPainter>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

QString shown(core::Millimetres length) { return qs(core::formatted(length, 3)); }

QPainterPath outline(const MatView& view, const std::vector<core::Point>& points) {
    QPolygonF polygon;
    for (const core::Point& point : points) polygon << view.at(point);
    QPainterPath path;
    path.addPolygon(polygon);
    path.closeSubpath();
    return path;
}

void paintGround(QPainter& painter, const MatView& view, const core::Body& body, bool dark) {
    const QColor ink = dark ? QColor(40, 44, 44) : theme().matInk;
    const qreal left = view.at({core::Millimetres{-12}, {}}).x();
    const qreal right = view.at({body.length + core::Millimetres{12}, {}}).x();
    const qreal top = view.origin.y();
    painter.setPen(QPen(ink, 1.4));
    painter.drawLine(QPointF(left, top), QPointF(right, top));
    if (body.structure) return;
    const qreal foot = top + qMax(4.0, view.scale * 2.0);
    painter.drawLine(QPointF(left, foot), QPointF(right, foot));
    painter.setBrush(ink);
    painter.setPen(Qt::NoPen);
    for (qreal x = left + view.scale * 2; x < right - view.scale * 2; x += view.scale * 7) {
        painter.drawRect(QRectF(x, foot, view.scale * 2.6, qMax(2.0, view.scale * 1.2)));
    }
}

void paintBody(QPainter& painter, const MatView& view, const core::Body& body, bool dark) {
    const Theme& look = theme();
    QPainterPath shell = outline(view, body.profile);
    shell.setFillRule(Qt::OddEvenFill);
    QColor skin = dark ? QColor(15, 17, 17) : look.body;
    painter.setPen(Qt::NoPen);
    painter.fillPath(shell, skin);
    for (const auto& opening : body.openings) {
        painter.fillPath(outline(view, opening), dark ? QColor(10, 12, 13) : look.hollow);
    }
    if (!dark) {
        QColor pencil = look.night ? look.matInk : look.inkSoft;
        pencil.setAlphaF(0.55F);
        painter.setPen(QPen(pencil, 1));
        for (const auto& line : body.lines) {
            QPolygonF way;
            for (const core::Point& point : line) way << view.at(point);
            painter.drawPolyline(way);
        }
        painter.setPen(Qt::NoPen);
    }
    // Cut open: where the model is hollow one looks through to the mat.
    if (!dark) {
        for (const core::Cavity& cavity : body.cavities) {
            const QRectF box = view.box(cavity.corner, cavity.length, cavity.height);
            painter.fillRect(box, look.hollow);
            painter.setPen(QPen(look.matInk, 1, Qt::DashLine));
            painter.setBrush(Qt::NoBrush);
            painter.drawRect(box);
            painter.setPen(Qt::NoPen);
        }
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(dark ? QColor(44, 48, 48) : QColor(look.night ? look.matInk : look.ink),
                        qBound(1.2, view.scale * 0.35, 3.0)));
    painter.drawPath(shell);
    if (!dark) {
        painter.setPen(QPen(look.night ? look.matInk : look.inkSoft, 1));
        for (const auto& opening : body.openings) painter.drawPath(outline(view, opening));
    }
}

/// `number` counts on through the train.
void paintAxles(QPainter& painter, const MatView& view, const core::Body& body, bool dark,
                int& number, std::vector<Target>& targets) {
    const Theme& look = theme();
    for (const core::Axle& axle : body.axles) {
        ++number;
        const qreal r = view.size(axle.diameter) / 2;
        const QPointF centre = view.at({axle.x, axle.diameter / 2.0});
        painter.setPen(QPen(dark ? QColor(44, 48, 48) : look.matInk, qMax(1.2, view.scale * 0.3)));
        painter.setBrush(dark ? QColor(12, 14, 14) : QColor(0x2B, 0x2E, 0x2C));
        painter.drawEllipse(centre, r, r);
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(dark ? QColor(44, 48, 48) : look.matLineStrong, 1));
        painter.drawEllipse(centre, r * 0.78, r * 0.78);
        painter.setPen(Qt::NoPen);
        painter.setBrush(dark ? QColor(30, 32, 32) : axle.driven ? look.brass : look.matLineStrong);
        painter.drawEllipse(centre, r * 0.28, r * 0.28);
        const QString sides = axle.collectsLeft && axle.collectsRight ? tr("left and right")
                              : axle.collectsLeft                     ? tr("left only")
                              : axle.collectsRight                    ? tr("right only")
                                                                      : tr("nothing");
        targets.push_back({QRectF(centre.x() - r, centre.y() - r, 2 * r, 2 * r),
                           tr("Axle %1: %2 behind the front, tread %3%4, collects %5")
                               .arg(number)
                               .arg(shown(axle.x), shown(axle.diameter),
                                    axle.driven ? tr(", driven") : QString(), sides),
                           {},
                           {},
                           {{tr("collects on both sides"), u"axle %1 both"_s.arg(number)},
                            {tr("collects left only"), u"axle %1 left"_s.arg(number)},
                            {tr("collects right only"), u"axle %1 right"_s.arg(number)},
                            {tr("collects nothing"), u"axle %1 none"_s.arg(number)}}});
    }
}

/// A motor as it lies on the bench: round can, or an open frame with its magnet and armature.
QRectF paintMotor(QPainter& painter, const MatView& view, const core::Job& job,
                  const core::Unit& unit, std::size_t index, std::vector<Target>& targets) {
    const core::Body& body = unit.body;
    if (index >= body.motors.size()) return {};
    const core::Motor& motor = unit.motors[index];
    const Theme& look = theme();
    const qreal height = view.size(body.height) * 0.22;
    const qreal width = height * 1.5;
    const QPointF centre = view.at(body.motors[index]);
    const QRectF box(centre.x() - width / 2, centre.y() - height / 2, width, height);
    const QColor steel(0x9A, 0x9E, 0x9C);
    painter.setPen(QPen(QColor(0x22, 0x24, 0x22), 1.2));
    // Shaft to the nearest driven axle.
    for (const core::Axle& axle : body.axles) {
        if (!axle.driven) continue;
        painter.setPen(QPen(steel, qMax(2.0, view.scale * 0.8)));
        const QPointF wheel = view.at({axle.x, axle.diameter / 2.0});
        painter.drawLine(QPointF(wheel.x() < centre.x() ? box.left() : box.right(), centre.y()),
                         QPointF(wheel.x(), centre.y()));
        painter.setPen(QPen(QColor(0x22, 0x24, 0x22), 1.2));
        painter.setBrush(look.brass);
        painter.drawRect(QRectF(wheel.x() - view.scale * 0.9, centre.y() - view.scale * 0.9,
                                view.scale * 1.8, view.scale * 1.8));
        break;
    }
    if (motor.kind == core::MotorKind::OpenFrame) {
        painter.setBrush(QColor(0x55, 0x36, 0x2C));  // the magnet across the top
        painter.drawRect(QRectF(box.left(), box.top(), box.width(), box.height() * 0.26));
        painter.setBrush(steel);
        painter.drawRect(QRectF(box.left(), box.top(), box.width() * 0.13, box.height()));
        painter.drawRect(
            QRectF(box.right() - box.width() * 0.13, box.top(), box.width() * 0.13, box.height()));
        const QRectF armature(box.left() + box.width() * 0.24, box.top() + box.height() * 0.34,
                              box.width() * 0.4, box.height() * 0.6);
        painter.setBrush(QColor(0xB8, 0x6B, 0x3A));  // wound copper
        painter.drawRoundedRect(armature, 3, 3);
        for (int turn = 1; turn < 6; ++turn) {
            const qreal x = armature.left() + armature.width() * turn / 6;
            painter.drawLine(QPointF(x, armature.top()), QPointF(x - 2, armature.bottom()));
        }
        painter.setBrush(QColor(0xC9, 0x8C, 0x52));  // commutator
        painter.drawRect(QRectF(armature.right() + 2, armature.center().y() - box.height() * 0.16,
                                box.width() * 0.12, box.height() * 0.32));
    } else {
        painter.setBrush(steel);
        painter.drawRoundedRect(box, height * 0.18, height * 0.18);
        painter.setBrush(QColor(0x3A, 0x3C, 0x3B));  // end bell with its brush caps
        painter.drawRect(QRectF(box.right() - box.width() * 0.2, box.top() + height * 0.08,
                                box.width() * 0.2, height * 0.84));
        painter.setBrush(look.brass);
        for (const qreal y : {box.top() + height * 0.18, box.bottom() - height * 0.32}) {
            painter.drawRect(
                QRectF(box.right() - box.width() * 0.13, y, box.width() * 0.09, height * 0.14));
        }
    }
    const auto ohms = core::motorPath(motor);
    const QString path = ohms ? qs(core::formatted(*ohms, 3)) : tr("not measured");
    const QString called = qs(core::motorCalled(job, motor));
    targets.push_back(
        {box,
         called.isEmpty()
             ? tr("Motor: path %1. Press to enter a stall test.").arg(path)
             : tr("Motor, %1: path %2. Press to enter a stall test.").arg(called, path),
         called.isEmpty() ? u"stall "_s : u"stall of %1 "_s.arg(called),
         {}});
    return box;
}

/// A weight as poured lead, a speaker as its frame and cone.
void paintFixtures(QPainter& painter, const MatView& view, const core::Job& job, std::size_t unit,
                   std::vector<Target>& targets) {
    const core::Unit& in = job.units[unit];
    const QString called = qs(core::unitCalled(job, unit));
    const QString of = called.isEmpty() ? QString() : u" in "_s + called;
    for (const core::Fixture& fixture : in.fixtures) {
        const auto lies = core::lies(in, fixture);
        if (!lies) continue;
        const QRectF box = view.box(lies->corner, lies->length, lies->height);
        const bool weight = fixture.kind == core::FixtureKind::Weight;
        const QColor lead(0x6E, 0x74, 0x79);
        painter.setPen(
            QPen(QColor(0x22, 0x24, 0x22), 1.2, fixture.mayGo ? Qt::DashLine : Qt::SolidLine));
        painter.setBrush(weight ? lead : QColor(0x2B, 0x2E, 0x2C));
        painter.drawRect(box);
        if (weight) {
            painter.fillRect(box.adjusted(1, 1, -1, -1),
                             QBrush(lead.darker(135), Qt::BDiagPattern));
        } else {
            const qreal r = qMin(box.width(), box.height()) * 0.42;
            painter.setBrush(QColor(0x8A, 0x86, 0x7C));
            painter.drawEllipse(box.center(), r, r);
            painter.setBrush(QColor(0x2B, 0x2E, 0x2C));
            painter.drawEllipse(box.center(), r * 0.4, r * 0.4);
        }
        const QString kind = weight ? tr("weight") : tr("speaker");
        if (box.width() > 50 && box.height() > 22) {
            paintLegend(painter, box.center(), kind, Qt::AlignHCenter | Qt::AlignVCenter,
                        theme().matInk, theme().hollow);
        }
        const QString start = fixtureJot(fixture);
        targets.push_back(
            {box,
             tr("%1 in the %2: %3 × %4 × %5. %6")
                 .arg(weight ? tr("Weight") : tr("Speaker"), qs(fixture.place),
                      shown(fixture.length), shown(fixture.width), shown(fixture.height),
                      fixture.mayGo ? tr("It may go.") : tr("It stays.")),
             start,
             {},
             {{tr("may go if its room is needed"), start + u"may go"_s + of},
              {tr("stays"), start + u"stays"_s + of},
              {weight ? tr("is milled out") : tr("is taken out"), start + u"gone"_s + of}}});
    }
}

/// What lies in the hollows, each painted by its stage.
QRectF paintPlaced(QPainter& painter, const SceneInput& scene, const core::Placement& placement,
                   std::vector<Target>& targets) {
    const core::Box& box = placement.box;
    const QRectF where = scene.units[placement.unit].box(placement.corner, box.length, box.height);
    QString jot;
    bool painted = false;
    for (const PartPainter& each : partPainters()) {
        if (each.what != box.what) continue;
        painted = true;
        painter.save();
        each.paint({painter, scene, placement, where});
        painter.restore();
        jot = QString::fromUtf8(each.jot);
    }
    if (!painted) {  // a speaker, a board: what it is stands beside the pointer
        painter.setBrush(theme().body);
        painter.setPen(QPen(theme().matInk, 1.2));
        painter.drawRoundedRect(where, 1.5, 1.5);
        jot = u"fit %1 in "_s.arg(qs(box.what));
    }
    if (!placement.fits) {
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(theme().over, 1.6, Qt::DashLine));
        painter.drawRect(where.adjusted(-3, -3, 3, 3));
    }
    targets.push_back(
        {where,
         tr("%1: %2 × %3 × %4 with its wires (catalogue). %5")
             .arg(qs(box.name), shown(box.length), shown(box.width), shown(box.height),
                  placement.fits
                      ? tr("It lies in %1.")
                            .arg(said(core::inHollow(placement.hollow, placement.orientation)))
                      : tr("No hollow of the body holds it.")),
         jot,
         {}});
    return where;
}

}  // namespace

QString fixtureJot(const core::Fixture& fixture) {
    return u"%1 %2 "_s.arg(qs(std::string(core::name(fixture.kind))), qs(fixture.place));
}

PartBoxes paintModel(QPainter& painter, const SceneInput& scene, std::vector<Target>& targets) {
    painter.setRenderHint(QPainter::Antialiasing);
    const core::Job& job = scene.job;
    int axles = 0;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        const core::Body& body = job.units[i].body;
        const MatView& view = scene.units[i];
        paintGround(painter, view, body, scene.dark);
        paintAxles(painter, view, body, scene.dark, axles, targets);
        paintBody(painter, view, body, scene.dark);
        if (scene.dark || job.units.size() == 1) continue;
        paintLegend(painter, view.at({{}, body.height}) + QPointF(-4, -6),
                    qs(core::unitCalled(job, i)), Qt::AlignLeft | Qt::AlignBottom, theme().matInk,
                    theme().mat);
    }
    if (scene.dark) return {};
    PartBoxes parts;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        for (std::size_t m = 0; m < job.units[i].motors.size(); ++m) {
            parts.motors.push_back(
                paintMotor(painter, scene.units[i], job, job.units[i], m, targets));
        }
        paintFixtures(painter, scene.units[i], job, i, targets);
    }
    for (const core::Placement& placement : core::placements(scene.facts)) {
        parts.seated.emplace_back(placement.box.what,
                                  paintPlaced(painter, scene, placement, targets));
    }
    return parts;
}

}  // namespace glimmet::app
