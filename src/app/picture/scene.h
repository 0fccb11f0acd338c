// The drawing of a model, to scale: from millimetres to pixels, and the painters of its parts.
#pragma once

#include "app/picture/kept_layer.h"
#include "app/theme/likely_lines.h"
#include "core/analysis/lamp_groups.h"
#include "core/analysis/placement/placement.h"
#include "core/record/job.h"
#include "core/track/crossing.h"

#include <QCoreApplication>
#include <QPainterPath>
#include <QPointF>
#include <QRectF>
#include <QString>

#include <deque>
#include <functional>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

class QPainter;

namespace glimmet::app {

/// The words on the picture and beside what is pointed at.
inline QString tr(const char* words) { return QCoreApplication::translate("picture", words); }

/// Maps a model's millimetres (x back from the front, z up) to pixels.
struct MatView {
    qreal scale = 4;  ///< pixels for a millimetre
    QPointF origin;   ///< where x = 0, z = 0 is
    [[nodiscard]] QPointF at(const core::Point& point) const {
        return {origin.x() + scale * point.x.value(), origin.y() - scale * point.z.value()};
    }
    [[nodiscard]] qreal size(core::Millimetres length) const { return scale * length.value(); }
    [[nodiscard]] QRectF box(const core::Point& corner, core::Millimetres length,
                             core::Millimetres height) const {
        return {at({corner.x, corner.z + height}), QSizeF(size(length), size(height))};
    }
};

/// What dragging a thing comes to.
struct Dragged {
    QString line;   ///< the whole jot line that says so
    QRectF where;   ///< where it would be, in pixels
    QString words;  ///< its measures, to be read while it is dragged
};

/// The two probes of a tester and where they are, by the ids of a stage's points; empty: in the
/// hand. `with`: which tester, as its stage names it.
struct Probes {
    std::string red, black, with;
    /// The next probe in the hand to a point; from a point that has one it is taken away, and with
    /// both on points the touching begins anew.
    void put(const std::string& point);
    bool operator==(const Probes&) const = default;
};

/// Something in the picture that can be pointed at.
struct Target {
    QRectF where;                      ///< in pixels
    QString tip;                       ///< what it is and what its numbers rest on
    QString jot;                       ///< start of the jot line that enters it
    std::string subject;               ///< the id of what is in question when it is pressed
    std::vector<LikelyLine> likely{};  ///< whole lines to choose from with one press
    /// By how many millimetres of the model, back and up. Nothing: it cannot be dragged.
    std::function<Dragged(const core::Point& by)> drag{};
    /// What a press makes of the probes. Nothing: it is no point.
    std::function<void(Probes&)> probes{};
    QString line{};  ///< a whole jot line that a press enters
};

/// The kept layers of one picture in the order in which it paints them.
class KeptLayers {
public:
    void begin() { m_next = 0; }
    /// The next layer; what `draw` adds to the targets it adds once.
    void paint(QPainter& onto, std::vector<Target>& targets,
               const std::function<void(QPainter&)>& draw);

private:
    std::deque<KeptLayer> m_layers;
    std::size_t m_next = 0;
};

struct SceneInput {
    const core::Job& job;
    const core::JobAnalysis& facts;     ///< of it
    const std::vector<MatView>& units;  ///< where each unit stands, all to one scale
    const std::vector<core::LitLamp>& lamps;
    std::string subject;                      ///< id of the lamp group to be stressed
    bool dark = false;                        ///< room lights off
    std::optional<core::TrackUnder> track{};  ///< that it stands on; nothing: the bench
    Probes probes{};                          ///< of a tester

    [[nodiscard]] const MatView& view(const core::Fitted& fitted) const {
        return units[core::unitAt(job, fitted.unit)];
    }
    [[nodiscard]] QPointF at(const core::Fitted& fitted) const {
        return view(fitted).at(fitted.pose.at);
    }
    [[nodiscard]] QPointF led(const core::LitLamp& lit) const {
        const core::Fitted& fitted = lit.lamp->fitted;
        return view(fitted).at(core::ledOf(lit, body(fitted)));
    }
    [[nodiscard]] const core::Body& body(const core::Fitted& fitted) const {
        return job.units[core::unitAt(job, fitted.unit)].body;
    }
};

/// Where parts came to lie in the picture; null where there is none.
struct PartBoxes {
    std::vector<QRectF> motors;                            ///< as core::motorsOf
    std::vector<std::pair<std::string, QRectF>> seated{};  ///< as core::seats
    [[nodiscard]] QRectF of(std::string_view what) const {
        for (const auto& [name, box] : seated) {
            if (name == what) return box;
        }
        return {};
    }
};

/// How a thing of a stage that lies in the model is painted, under every overlay.
struct PartInput {
    QPainter& painter;
    const SceneInput& scene;
    const core::Placement& placement;
    const QRectF& box;
};
struct PartPainter {
    std::string_view what;  ///< core::Box::what
    void (*paint)(const PartInput& input);
    const char* jot;  ///< start of the line that fits another
};
/// Those of all stages; the table is in stage_views.cpp.
[[nodiscard]] std::span<const PartPainter> partPainters();

/// What a stage adds to the picture: wires, legends, places to press. Painted between the model
/// and its lamps, never in the dark.
struct OverlayInput {
    QPainter& painter;
    const SceneInput& scene;
    const PartBoxes& parts;
    std::vector<Target>& targets;
    KeptLayers& layers;
    /// Paints what seldom comes out otherwise: wires, points to press.
    void keep(const std::function<void(const OverlayInput& input)>& paint) const {
        layers.paint(painter, targets, [&](QPainter& onto) {
            paint({onto, scene, parts, targets, layers});
        });
    }
};
using OverlayPainter = void (*)(const OverlayInput& input);

void paintMat(QPainter& painter, const MatView& view, const QRectF& area, bool dark);
/// Ground, body, hollows, axles, motor and decoder. Targets are added as things are painted, so
/// that pointing always meets what is seen.
PartBoxes paintModel(QPainter& painter, const SceneInput& scene, std::vector<Target>& targets);
/// The line that a weight or speaker of a hollow is entered with: "weight hood ".
[[nodiscard]] QString fixtureJot(const core::Fixture& fixture);
/// The ends of a lamp's legs as it is painted by day: plus, minus.
[[nodiscard]] std::pair<QPointF, QPointF> legsOf(const SceneInput& scene, const core::LitLamp& lit);
void paintLamps(QPainter& painter, const SceneInput& scene, std::vector<Target>& targets);
/// What is wrong and not mended: to be seen under every overlay until it is.
void paintSpots(QPainter& painter, const SceneInput& scene, std::vector<Target>& targets);

/// Where each unit stands so that the train is as large as an area lets it be: one behind the
/// other, or in rows one under the other. At least one unit.
[[nodiscard]] std::vector<MatView> trainLayout(const core::Job& job, const QSizeF& area);
/// Pixels that a millimetre may take.
inline constexpr qreal leastScale = 0.005;
inline constexpr qreal mostScale = 80;

/// The factory's wires as the meter found them, in their own colours: a list in the corner, because
/// where they run nobody knows. Those that mislead are listed under every overlay.
enum class Wires { All, Misleading };
void paintFactoryWires(QPainter& painter, const SceneInput& scene, Wires which);

/// A meter's probe with its tip at a point; the red one comes from the right.
enum class ProbeColour { Red, Black };
void paintProbe(QPainter& painter, const QPointF& tip, ProbeColour colour);

/// Where the picture has a terminal of the wiring; nothing: it does not show it.
[[nodiscard]] std::optional<QPointF> terminalAt(const SceneInput& scene, const PartBoxes& parts,
                                                const core::TerminalId& terminal);

/// A wire in its insulation colour with an outline.
void paintWire(QPainter& painter, const QPainterPath& path, const QColor& insulation, qreal width);
/// Words in drafting letters with a ground of their own, so that they stay legible on anything.
void paintLegend(QPainter& painter, const QPointF& where, const QString& words, Qt::Alignment side,
                 const QColor& ink, const QColor& ground);

}  // namespace glimmet::app
