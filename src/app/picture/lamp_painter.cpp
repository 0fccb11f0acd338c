#include "app/picture/scene.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/placement/interior.h"
#include "core/led/eye.h"
#include "core/led/light_path.h"
#include "core/quantity/format.h"

#include <QCoreApplication>
#include <QImage>
#include <QLinearGradient>
#include <QPainter>
#include <QRadialGradient>
#include <QTransform>
#include <QtMath>

#include <algorithm>
#include <array>
#include <cmath>
#include <utility>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

void paintFall(QPainter& painter, const QPointF& at, qreal reach, QColor colour) {
    QRadialGradient gradient(at, reach);
    QColor core = colour.lighter(115);
    core.setAlphaF(0.95F);
    gradient.setColorAt(0, core);
    colour.setAlphaF(0.5F);
    gradient.setColorAt(0.12, colour);
    colour.setAlphaF(0.15F);
    gradient.setColorAt(0.45, colour);
    colour.setAlphaF(0);
    gradient.setColorAt(1, colour);
    painter.setPen(Qt::NoPen);
    painter.setBrush(gradient);
    painter.drawEllipse(at, reach, reach);
}

/// Light falling off round lamps. Of one colour and size it is the same picture, only fainter:
/// drawn once for all of them, and kept.
class Glows {
public:
    /// `strength` 0…1 as the eye finds it.
    void paint(QPainter& painter, const QPointF& at, qreal radius, const QColor& colour,
               double strength) {
        constexpr int mostKept = 128;  // a large one would take megabytes, and few are
        constexpr double faint = 0.35;
        const int reach = qMax(1, qRound(radius));
        const double before = painter.opacity();
        const auto mode = painter.compositionMode();
        // So faint it comes to the same laid over as added, and that takes a tenth of the time.
        if (strength <= faint) painter.setCompositionMode(QPainter::CompositionMode_SourceOver);
        painter.setOpacity(before * qBound(0.0, strength, 1.0));
        if (reach > mostKept) {
            paintFall(painter, at, radius, colour);
        } else {
            // On whole pixels, so that it is copied and not drawn anew.
            painter.drawImage(QPoint(qRound(at.x()) - reach, qRound(at.y()) - reach),
                              drawn(colour, reach));
        }
        painter.setOpacity(before);
        painter.setCompositionMode(mode);
    }

private:
    struct Glow {
        QRgb colour;
        int reach;
        QImage image;
    };
    const QImage& drawn(const QColor& colour, int reach) {
        for (const Glow& one : m_glows) {
            if (one.colour == colour.rgb() && one.reach == reach) return one.image;
        }
        QImage image(2 * reach + 1, 2 * reach + 1, QImage::Format_ARGB32_Premultiplied);
        image.fill(Qt::transparent);
        QPainter painter(&image);
        painter.setRenderHint(QPainter::Antialiasing);
        paintFall(painter, QPointF(reach + 0.5, reach + 0.5), reach, colour);
        painter.end();
        constexpr std::size_t most = 32;  // of a size that the drawing no longer has
        if (m_glows.size() == most) m_glows.clear();
        m_glows.push_back({colour.rgb(), reach, std::move(image)});
        return m_glows.back().image;
    }
    std::vector<Glow> m_glows;
};
Glows& glows() {
    static Glows kept;
    return kept;
}

/// A beam out of the end of a vehicle, with the shadow of what stands before it.
void paintBeam(QPainter& painter, const MatView& view, const QPointF& at, core::Facing facing,
               QColor colour, double strength, const std::optional<core::Obstacle>& obstacle) {
    const qreal way = facing == core::Facing::Front ? -1 : 1;
    const qreal reach = qMax(view.scale * 45, 90.0) * (0.4 + 0.6 * strength);
    QPolygonF cone;
    cone << at << at + QPointF(way * reach, -reach * 0.22)
         << at + QPointF(way * reach, reach * 0.3);
    QRadialGradient gradient(at, reach);
    colour.setAlphaF(static_cast<float>(0.42 * strength));
    gradient.setColorAt(0, colour);
    colour.setAlphaF(0);
    gradient.setColorAt(1, colour);
    painter.setPen(Qt::NoPen);
    painter.setBrush(gradient);
    QPainterPath beam;
    beam.addPolygon(cone);
    beam.closeSubpath();
    if (obstacle) {
        const qreal from = view.size(obstacle->away);
        const auto half = [&](qreal along) {
            return view.size(core::shadowAt(*obstacle, obstacle->away * (along / from - 1))) / 2;
        };
        QPainterPath shadow;
        shadow.addPolygon(QPolygonF(
            {at + QPointF(way * from, -half(from)), at + QPointF(way * from, half(from)),
             at + QPointF(way * reach, half(reach)), at + QPointF(way * reach, -half(reach))}));
        shadow.closeSubpath();
        beam = beam.subtracted(shadow);
    }
    painter.drawPath(beam);
}

/// Pixels of an LED's dome, at any scale.
qreal ledSize(const MatView& view) { return qBound(7.0, view.scale * 2.2, 26.0); }

/// An LED as it lies in the hand: dome, rim with its flat on the cathode side, long leg for plus.
void paintLed(QPainter& painter, const QPointF& at, core::Facing facing, qreal size,
              const QColor& colour, bool stressed) {
    painter.save();
    painter.translate(at);
    if (facing == core::Facing::Rear) painter.scale(-1, 1);
    if (facing == core::Facing::Inside) painter.rotate(-90);
    painter.setPen(QPen(QColor(0x24, 0x26, 0x24), 1.1));
    painter.setBrush(QColor(0xC8, 0xCB, 0xC6));
    painter.drawLine(QPointF(size * 0.55, -size * 0.2), QPointF(size * 1.5, -size * 0.2));
    painter.drawLine(QPointF(size * 0.55, size * 0.2), QPointF(size * 1.15, size * 0.2));
    QPainterPath dome;
    dome.moveTo(size * 0.35, -size * 0.42);
    dome.lineTo(-size * 0.1, -size * 0.42);
    dome.cubicTo(-size * 0.75, -size * 0.42, -size * 0.75, size * 0.42, -size * 0.1, size * 0.42);
    dome.lineTo(size * 0.35, size * 0.42);
    dome.closeSubpath();
    painter.setBrush(colour);
    painter.drawPath(dome);
    // The rim reaches over on the anode side only: the other side is the flat.
    painter.drawRect(QRectF(size * 0.35, -size * 0.54, size * 0.2, size * 0.96));
    if (stressed) {
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(theme().brass.lighter(130), 2));
        painter.drawEllipse(QPointF(0, 0), size * 1.1, size * 1.1);
    }
    painter.restore();
}

/// The family whose light comes out of what it shines through.
core::LedFamily passedFamily(core::FilterColour filter) {
    switch (filter) {
        case core::FilterColour::Red:
            return core::LedFamily::Red;
        case core::FilterColour::Amber:
            return core::LedFamily::Amber;
        case core::FilterColour::Green:
            return core::LedFamily::TrueGreen;
        case core::FilterColour::Blue:
            break;
    }
    return core::LedFamily::Blue;
}

/// The colour that is seen: of what it shines through, else its own; by day as its body looks, in
/// the dark as its light does.
QColor seenColour(const core::LitLamp& lit, bool dark) {
    const core::LampPart& part = lit.lamp->part;
    const auto family = lit.filter ? passedFamily(*lit.filter) : core::lightFamily(part);
    const std::string tint = lit.filter ? std::string() : part.tint;
    return dark ? lightColour(family, tint) : lampColour(family, tint);
}

/// What it throws on the ground before it, in bands that fade as its light does.
void paintOnGround(QPainter& painter, const MatView& view, const core::Point& lamp,
                   core::Facing facing, QColor colour, double strength) {
    constexpr core::Millimetres step{3};
    const core::Millimetres height = std::max(lamp.z, core::Millimetres{2});
    const qreal way = facing == core::Facing::Front ? -1 : 1;
    const qreal wide = view.size(step);
    painter.setPen(Qt::NoPen);
    for (core::Millimetres away = step; away < height * 6.0; away += step) {
        colour.setAlphaF(
            static_cast<float>(0.55 * strength * std::cbrt(core::onGround(height, away))));
        const QPointF at =
            view.at({lamp.x + away * way, core::Millimetres{0}}) - QPointF(wide / 2, 0);
        painter.fillRect(QRectF(at, QSizeF(wide, qMax(2.5, view.scale * 0.9))), colour);
    }
}

/// How bright what it lights inside is seen, through a window or a gap.
double insideLit(const core::LitLamp& lit) { return qMin(1.0, lit.brightness * 1.6); }

/// A light pipe or fibre from its mouth, where its light comes out, to its LED.
struct DrawnGuide {
    QPointF mouth, end;
    qreal thick = 0;
};
DrawnGuide drawn(const SceneInput& scene, const core::LitLamp& lit) {
    const MatView& view = scene.view(lit.lamp->fitted);
    return {scene.at(lit.lamp->fitted), scene.led(lit), qMax(2.0, view.size(lit.guide->bore))};
}

/// By day a clear rod.
void paintGuide(QPainter& painter, const DrawnGuide& guide) {
    painter.setPen(
        QPen(QColor(0x24, 0x26, 0x24, 0xC0), guide.thick + 1.6, Qt::SolidLine, Qt::FlatCap));
    painter.drawLine(guide.mouth, guide.end);
    painter.setPen(QPen(QColor(0xE4, 0xF0, 0xF2, 0xE0), guide.thick, Qt::SolidLine, Qt::FlatCap));
    painter.drawLine(guide.mouth, guide.end);
}

/// In the dark what comes out of its side, brightest at the LED.
void paintGuideGlow(QPainter& painter, const core::LitLamp& lit, const DrawnGuide& guide,
                    QColor colour) {
    const double side = std::cbrt(core::outOfItsSide(*lit.guide));
    const auto seen = [&](double light) {
        colour.setAlphaF(static_cast<float>(qMin(1.0, lit.brightness * side * std::cbrt(light))));
        return colour;
    };
    QLinearGradient fades(guide.mouth, guide.end);
    fades.setColorAt(0, seen(1));
    fades.setColorAt(1, seen(core::sideAtLed(*lit.guide)));
    painter.setPen(QPen(QBrush(fades), guide.thick, Qt::SolidLine, Qt::RoundCap));
    painter.drawLine(guide.mouth, guide.end);
}

/// A line of light where the body gapes, bright where the lamp is near.
void paintSeam(QPainter& painter, const SceneInput& scene, const core::LitLamp& lit,
               QColor colour) {
    const core::Fitted& fitted = lit.lamp->fitted;
    const core::Body& body = scene.body(fitted);
    const MatView& view = scene.view(fitted);
    const core::Millimetres z = core::seamOf(body, *lit.seam == core::Seam::Roof);
    const core::Millimetres off =
        std::max(core::Millimetres{std::abs((fitted.pose.at.z - z).value())}, core::Millimetres{2});
    const core::Millimetres step = std::max(off / 6.0, core::Millimetres{0.5});
    painter.setPen(Qt::NoPen);
    for (core::Millimetres x{0}; x < body.length; x += step) {
        const double falls = core::alongEdge(off, x + step / 2.0 - fitted.pose.at.x);
        const double seen = qMin(1.0, insideLit(lit) * lit.atSeam * std::cbrt(falls));
        if (seen < 0.02) continue;
        colour.setAlphaF(static_cast<float>(seen));
        const qreal thick = qBound(1.6, view.scale * 0.5, 4.0);
        const core::Millimetres last = std::min(x + step, body.length);
        painter.fillRect(
            QRectF(view.at({x, z}) - QPointF(0, thick), QSizeF(view.size(last - x), thick)),
            colour);
    }
}

/// Far walls of the rooms that lamps inside a unit light, seen through its windows.
void paintRooms(QPainter& painter, const SceneInput& scene, std::size_t unit) {
    const core::Body& body = scene.job.units[unit].body;
    std::vector<core::RoomLamp> lamps;
    for (const core::LitLamp& lit : scene.lamps) {
        const core::Fitted& fitted = lit.lamp->fitted;
        if (!(lit.brightness > 0) || fitted.pose.facing != core::Facing::Inside ||
            core::unitAt(scene.job, fitted.unit) != unit) {
            continue;
        }
        const QColor colour = seenColour(lit, true);
        const double seen = insideLit(lit);
        lamps.push_back(core::roomLamp(fitted.pose.at, seen * colour.red() / 255,
                                       seen * colour.green() / 255, seen * colour.blue() / 255));
    }
    if (lamps.empty()) return;
    const MatView& view = scene.units[unit];
    const core::Millimetres away = core::toFarWall(body);
    // Light on the wall changes over the distance to it; between cells it is smoothed.
    const qreal cell = qBound(4.0, view.size(away) / 4, 16.0);
    for (const auto& opening : body.openings) {
        QPolygonF outline;
        for (const core::Point& point : opening) outline << view.at(point);
        const QRectF box = outline.boundingRect() & QRectF(painter.window());
        if (box.isEmpty()) continue;
        const QSize cells(qMax(1, qCeil(box.width() / cell)), qMax(1, qCeil(box.height() / cell)));
        QImage wall(cells, QImage::Format_RGB32);
        for (int row = 0; row < cells.height(); ++row) {
            for (int column = 0; column < cells.width(); ++column) {
                const QPointF at(box.left() + box.width() * (column + 0.5) / cells.width(),
                                 box.top() + box.height() * (row + 0.5) / cells.height());
                const auto seen =
                    core::onFarWall(lamps, away,
                                    {core::Millimetres{(at.x() - view.origin.x()) / view.scale},
                                     core::Millimetres{(view.origin.y() - at.y()) / view.scale}});
                const auto part = [](double value) { return static_cast<int>(value * 255); };
                wall.setPixel(column, row, qRgb(part(seen.red), part(seen.green), part(seen.blue)));
            }
        }
        QPainterPath window;
        window.addPolygon(outline);
        window.closeSubpath();
        painter.save();
        painter.setRenderHint(QPainter::SmoothPixmapTransform);
        painter.setClipPath(window);
        painter.drawImage(box, wall);
        painter.restore();
    }
}

/// What stands in the rooms, dark against their walls.
void paintInside(QPainter& painter, const SceneInput& scene) {
    painter.setPen(Qt::NoPen);
    for (std::size_t i = 0; i < scene.job.units.size(); ++i) {
        for (const core::Inside& one :
             core::insideOf(scene.job.units[i].body, scene.job.scale.ratio)) {
            const bool curtain = one.kind == core::InsideKind::Curtain;
            painter.setBrush(QColor(6, 8, 10, curtain ? 0x70 : 0xB8));
            const QRectF where = scene.units[i].box(one.corner, one.length, one.height);
            if (one.kind == core::InsideKind::Seat)
                painter.drawRoundedRect(where, where.width() * 0.3, where.width() * 0.3);
            else
                painter.drawRect(where);
        }
    }
}

/// What lamps throw on the body that they sit in, and nowhere else.
void paintOnShell(QPainter& painter, const SceneInput& scene, std::size_t unit) {
    const MatView& view = scene.units[unit];
    QPolygonF outline;
    for (const core::Point& point : scene.job.units[unit].body.profile) outline << view.at(point);
    QPainterPath shell;
    shell.addPolygon(outline);
    shell.closeSubpath();
    painter.save();
    painter.setClipPath(shell);
    for (const core::LitLamp& lit : scene.lamps) {
        const core::Fitted& fitted = lit.lamp->fitted;
        if (!(lit.brightness > 0) || core::unitAt(scene.job, fitted.unit) != unit) continue;
        const QPointF at = scene.at(fitted);
        const QColor colour = seenColour(lit, true);
        // What comes through the wall lies on it as a dull sheen.
        if (lit.leak.value_or(0) > 0)
            glows().paint(painter, at, view.scale * 22, colour, insideLit(lit) * *lit.leak);
        if (lit.seam && lit.atSeam > 0) paintSeam(painter, scene, lit, colour);
        // An outside lamp grazes it, close round itself.
        if (fitted.pose.facing != core::Facing::Inside)
            glows().paint(painter, at, view.scale * 16, colour, lit.brightness * 0.35);
    }
    painter.restore();
}

/// What is said of every lamp, looked up once for all of them.
struct LampWords {
    QString measured = tr("forward voltage measured");
    QString catalogued = tr("forward voltage from the catalogue");
    QString assumed = tr("forward voltage assumed for its colour");
    QString computed = tr("%1 (%2): %3, computed; %4");
    QString open = tr("%1 (%2): no resistor chosen yet");
    std::array<std::pair<QString, QString>, 4> tester{
        {{tr("at the 9 V tester it lights"), u" lit"_s},
         {tr("at the 9 V tester it is dim"), u" dim"_s},
         {tr("at the 9 V tester it is dark"), u" dark"_s},
         {tr("it lights the other way round"), u" reversed"_s}}};
};

QString tipOf(const core::LitLamp& lit, const LampWords& words) {
    const core::LampPart& part = lit.lamp->part;
    const QString basis = lit.lamp->measured ? words.measured
                          : part.forward     ? words.catalogued
                                             : words.assumed;
    return lit.connected ? words.computed.arg(qs(lit.name), qs(part.name),
                                              qs(core::formatted(lit.current, 3)), basis)
                         : words.open.arg(qs(lit.name), qs(part.name));
}

std::vector<LikelyLine> likelyOf(const core::LitLamp& lit, const LampWords& words) {
    const QString line = u"tester "_s + qs(lit.name);
    std::vector<LikelyLine> likely;
    likely.reserve(words.tester.size());
    for (const auto& [said, look] : words.tester) likely.push_back({said, line + look});
    return likely;
}

}  // namespace

void Probes::put(const std::string& point) {
    if (red == point || black == point) {
        (red == point ? red : black).clear();
    } else if (red.empty()) {
        red = point;
    } else if (black.empty()) {
        black = point;
    } else {
        red = point;
        black.clear();
    }
}

std::pair<QPointF, QPointF> legsOf(const SceneInput& scene, const core::LitLamp& lit) {
    const qreal size = ledSize(scene.units.front());
    const core::Facing facing = lit.lamp->fitted.pose.facing;
    QTransform turned;
    if (facing == core::Facing::Rear) turned.scale(-1, 1);
    if (facing == core::Facing::Inside) turned.rotate(-90);
    const QPointF at = scene.led(lit);
    // Spread a little where the drawing is small, so that each can be met.
    const qreal apart = qMax(size * 0.3, 6.0);
    return {at + turned.map(QPointF(size * 1.6, -apart)),
            at + turned.map(QPointF(size * 1.6, apart))};
}

void paintLamps(QPainter& painter, const SceneInput& scene, std::vector<Target>& targets) {
    painter.setRenderHint(QPainter::Antialiasing);
    const MatView& view = scene.units.front();  // one scale for all
    const core::Job& job = scene.job;
    const qreal size = ledSize(view);
    if (scene.dark) {
        QPainterPath openings;
        for (std::size_t i = 0; i < job.units.size(); ++i) {
            for (const auto& opening : job.units[i].body.openings) {
                QPolygonF polygon;
                for (const core::Point& point : opening) polygon << scene.units[i].at(point);
                openings.addPolygon(polygon);
                openings.closeSubpath();
            }
        }
        painter.setCompositionMode(QPainter::CompositionMode_Screen);
        for (std::size_t i = 0; i < job.units.size(); ++i) paintRooms(painter, scene, i);
        for (const core::LitLamp& lit : scene.lamps) {
            if (!(lit.brightness > 0)) continue;
            const QPointF at = scene.at(lit.lamp->fitted);
            const QColor colour = seenColour(lit, scene.dark);
            if (lit.guide) paintGuideGlow(painter, lit, drawn(scene, lit), colour);
            if (lit.lamp->fitted.pose.facing == core::Facing::Inside) {
                // Its rooms are painted above; faintly it is a sheen on the shell.
                if (!lit.leak)
                    glows().paint(painter, at, view.scale * 8, colour, lit.brightness * 0.25);
            } else {
                paintBeam(painter, view, at, lit.lamp->fitted.pose.facing, colour, lit.brightness,
                          lit.obstacle);
                paintOnGround(painter, scene.view(lit.lamp->fitted), lit.lamp->fitted.pose.at,
                              lit.lamp->fitted.pose.facing, colour, lit.brightness);
                glows().paint(painter, at, qMax(view.scale, 2.4) * (4 + 14 * lit.brightness),
                              colour, qMin(1.0, lit.brightness * 1.3));
            }
        }
        for (std::size_t i = 0; i < job.units.size(); ++i) paintOnShell(painter, scene, i);
        painter.setCompositionMode(QPainter::CompositionMode_SourceOver);
        painter.save();
        painter.setClipPath(openings);
        paintInside(painter, scene);
        painter.restore();
    }
    const LampWords words;
    for (const core::LitLamp& lit : scene.lamps) {
        const QPointF at = scene.dark ? scene.at(lit.lamp->fitted) : scene.led(lit);
        const bool stressed = lit.group == scene.subject;
        const QColor colour = seenColour(lit, scene.dark);
        if (!scene.dark) {
            if (lit.guide) paintGuide(painter, drawn(scene, lit));
            paintLed(painter, at, lit.lamp->fitted.pose.facing, size, colour, stressed);
        }
        const qreal reach = qMax(12.0, size * 0.8);
        targets.push_back({QRectF(at.x() - reach, at.y() - reach, 2 * reach, 2 * reach),
                           tipOf(lit, words),
                           {},
                           lit.group,
                           likelyOf(lit, words)});
    }
}

}  // namespace glimmet::app
