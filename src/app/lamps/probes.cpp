#include "app/lamps/probes.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/job_analysis.h"
#include "core/analysis/lamps/probe.h"
#include "core/quantity/format.h"

#include <QCoreApplication>
#include <QFontMetricsF>
#include <QPainter>
#include <QRadialGradient>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

using core::lamps::ProbePoint;
using Kind = ProbePoint::Kind;

constexpr std::size_t mostPoints = 100;

/// A point of the wiring where the picture has it.
struct Placed {
    ProbePoint point;
    QPointF at;
};

/// Legs at the lamps, common and output at the decoder's edge; without a decoder at the first lamp.
std::vector<Placed> placed(const OverlayInput& input) {
    const SceneInput& scene = input.scene;
    std::vector<Placed> all;
    QRectF plug = input.parts.of("decoder");
    auto points = core::lamps::probePoints(scene.job, scene.subject);
    if (points.size() > mostPoints) points.resize(2);  // nobody meets a leg among so many
    for (ProbePoint& point : points) {
        const core::LampGroup& group = scene.job.groups[point.group];
        if (point.kind == Kind::Common || point.kind == Kind::Output) {
            if (plug.isNull()) continue;
            const qreal side = point.kind == Kind::Common ? 0.3 : 0.7;
            all.push_back({std::move(point), {plug.left() + plug.width() * side, plug.top() - 7}});
            continue;
        }
        const core::Lamp* lamp = &group.rows[point.row].lamps[point.lamp];
        const auto lit = std::find_if(scene.lamps.begin(), scene.lamps.end(),
                                      [&](const auto& each) { return each.lamp == lamp; });
        if (lit == scene.lamps.end()) continue;
        const auto [plus, minus] = legsOf(scene, *lit);
        const QPointF at = point.kind == Kind::Plus ? plus : minus;
        all.push_back({std::move(point), at});
    }
    return all;
}

/// A press-button of the panel.
struct Chip {
    QString words;
    bool on = false;
    QString tip;
    std::function<void(Probes&)> probes{};
    QString line{};
};
constexpr qreal chipHigh = 22, between = 6, mostWide = 560;
qreal wideOf(const QPainter& painter, const Chip& chip) {
    return QFontMetricsF(painter.font()).horizontalAdvance(chip.words) + 16;
}
/// Chips in as many rows as they take.
std::vector<std::vector<Chip>> inRows(const QPainter& painter, std::vector<Chip> chips) {
    std::vector<std::vector<Chip>> rows(1);
    qreal wide = 0;
    for (Chip& chip : chips) {
        const qreal mine = wideOf(painter, chip) + between;
        if (wide + mine > mostWide && !rows.back().empty()) {
            rows.emplace_back();
            wide = 0;
        }
        wide += mine;
        rows.back().push_back(std::move(chip));
    }
    return rows;
}
void paintChips(const OverlayInput& input, QPointF at, std::vector<Chip>& chips) {
    QPainter& painter = input.painter;
    for (Chip& chip : chips) {
        const QRectF box(at, QSizeF(wideOf(painter, chip), chipHigh));
        painter.setPen(
            QPen(chip.on ? theme().brass.lighter(130) : theme().matInk, chip.on ? 2 : 1));
        painter.setBrush(Qt::NoBrush);
        painter.drawRoundedRect(box, 3, 3);
        painter.setPen(theme().matInk);
        painter.drawText(box, Qt::AlignCenter, chip.words);
        Target target{box, chip.tip, {}, {}};
        target.probes = std::move(chip.probes);
        target.line = chip.line;
        input.targets.push_back(std::move(target));
        at.rx() += box.width() + between;
    }
}

core::Tester testerOf(const Probes& probes) {
    core::Tester tester;
    tester.kind = core::named<core::TesterKind>(probes.with).value_or(core::TesterKind::Block);
    if (tester.kind == core::TesterKind::Supply) tester.volts = core::lamps::usualSupply;
    return tester;
}

QString shortLook(core::TesterLook look) {
    switch (look) {
        case core::TesterLook::Lit:
            return tr("lit");
        case core::TesterLook::Dim:
            return tr("dim");
        case core::TesterLook::Dark:
            return tr("dark");
        case core::TesterLook::Reversed:
            break;
    }
    return tr("lit, this way round");
}

void paintLit(const OverlayInput& input, const core::lamps::Probed& made) {
    QPainter& painter = input.painter;
    for (const auto& one : made.lamps) {
        const core::Lamp* lamp = &input.scene.job.groups[one.group].rows[one.row].lamps[one.lamp];
        for (const core::LitLamp& lit : input.scene.lamps) {
            if (lit.lamp != lamp) continue;
            const QPointF at = input.scene.led(lit);
            const qreal radius = one.look == core::TesterLook::Lit ? 46 : 26;
            QColor glow = lightColour(core::lightFamily(lamp->part), lamp->part.tint);
            QRadialGradient falls(at, radius);
            glow.setAlphaF(one.look == core::TesterLook::Lit ? 0.95F : 0.5F);
            falls.setColorAt(0, glow);
            glow.setAlphaF(0);
            falls.setColorAt(1, glow);
            painter.setPen(Qt::NoPen);
            painter.setBrush(falls);
            painter.drawEllipse(at, radius, radius);
        }
    }
}

/// Which tester, what it comes to, and what one sees.
void paintPanel(const OverlayInput& input, const std::vector<Placed>& points,
                const core::Result<core::lamps::Probed>& made) {
    QPainter& painter = input.painter;
    const Probes& probes = input.scene.probes;
    painter.setFont(wordsFont(13));
    const struct {
        core::TesterKind kind;
        QString words;
    } testers[] = {{core::TesterKind::Block, tr("9 V tester")},
                   {core::TesterKind::Cell, tr("3 V cell")},
                   {core::TesterKind::DiodeTest, tr("diode test")},
                   {core::TesterKind::Supply,
                    tr("supply %1").arg(qs(core::formatted(core::lamps::usualSupply)))}};
    const core::TesterKind now = testerOf(probes).kind;
    std::vector<Chip> with;
    for (const auto& tester : testers) {
        with.push_back(
            {tester.words, tester.kind == now, tr("Touch with it: %1").arg(tester.words),
             [kind = tester.kind](Probes& held) { held.with = std::string(core::name(kind)); }});
    }
    with.push_back(
        {tr("put away"), false, tr("Takes both probes off"), [](Probes& held) { held = {}; }});
    const QString words =
        made                                           ? said(made->sentence)
        : !probes.red.empty() && !probes.black.empty() ? said(made.error().what)
        : probes.red.empty()
            ? tr("The black probe is on. Press a point for the red one, its plus.")
            : tr("The red probe, its plus, is on. Press a point for the black one.");
    std::vector<Chip> looks;
    if (made) {
        const bool several = made->seen.size() > 3;  // of several rows: say of which
        for (const core::lamps::SeenThere& seen : made->seen) {
            const QString line = qs(seen.jot);
            looks.push_back({several ? tr("%1: %2").arg(qs(seen.row), shortLook(seen.look))
                                     : tr("I see it %1").arg(shortLook(seen.look)),
                             seen.expected,
                             seen.expected ? tr("As it should be. Enters: %1").arg(line)
                                           : tr("Enters: %1").arg(line),
                             {},
                             line});
        }
    }
    auto seenRows = inRows(painter, std::move(looks));
    const qreal rows = 2 + static_cast<qreal>(seenRows.size()) - (seenRows[0].empty() ? 1 : 0);
    qreal wide = QFontMetricsF(painter.font()).horizontalAdvance(words);
    const auto widen = [&](const std::vector<Chip>& chips) {
        qreal all = -between;
        for (const Chip& chip : chips) all += wideOf(painter, chip) + between;
        wide = qMax(wide, all);
    };
    widen(with);
    for (const auto& row : seenRows) widen(row);
    // In a corner where it hides no point.
    const QSizeF size(wide + 16, rows * (chipHigh + between) + 10);
    const QRectF whole(painter.window());
    QRectF panel({6, 6}, size);
    for (const QPointF& corner :
         {QPointF(6, 6), QPointF(whole.right() - size.width() - 6, 30),
          QPointF(6, whole.bottom() - size.height() - 6),
          QPointF(whole.right() - size.width() - 6, whole.bottom() - size.height() - 6)}) {
        const QRectF there(corner, size);
        const QRectF near = there.adjusted(-24, -24, 24, 24);
        if (std::any_of(points.begin(), points.end(),
                        [&](const Placed& one) { return near.contains(one.at); })) {
            continue;
        }
        panel = there;
        break;
    }
    painter.setPen(QPen(theme().matInk, 1));
    painter.setBrush(theme().mat);
    painter.drawRect(panel);
    QPointF at = panel.topLeft() + QPointF(8, 8);
    paintChips(input, at, with);
    at.ry() += chipHigh + between;
    painter.setPen(theme().matInk);
    painter.drawText(QRectF(at, QSizeF(wide, chipHigh)), Qt::AlignLeft | Qt::AlignVCenter, words);
    for (auto& row : seenRows) {
        at.ry() += chipHigh + between;
        paintChips(input, at, row);
    }
}

void paintPoints(const OverlayInput& input, const std::vector<Placed>& points) {
    QPainter& painter = input.painter;
    painter.setRenderHint(QPainter::Antialiasing);
    for (const Placed& one : points) {
        const bool plus = one.point.kind == Kind::Plus || one.point.kind == Kind::Common;
        painter.setPen(QPen(theme().matInk, 1.4));
        painter.setBrush(theme().mat);
        painter.drawEllipse(one.at, 4.5, 4.5);
        painter.setPen(QPen(theme().matInk, 1.4));
        painter.drawLine(one.at - QPointF(2.2, 0), one.at + QPointF(2.2, 0));
        if (plus) painter.drawLine(one.at - QPointF(0, 2.2), one.at + QPointF(0, 2.2));
        Target target{QRectF(one.at - QPointF(7, 7), QSizeF(14, 14)),
                      tr("%1. Press to touch it with a tester.").arg(said(one.point.words)),
                      {},
                      {}};
        target.probes = [id = one.point.id](Probes& now) { now.put(id); };
        input.targets.push_back(std::move(target));
    }
}

}  // namespace

void paintProbes(const OverlayInput& input) {
    const SceneInput& scene = input.scene;
    const std::vector<Placed> points = placed(input);
    if (points.empty()) return;
    QPainter& painter = input.painter;
    const Probes& probes = scene.probes;
    const auto find = [&](const std::string& id) {
        return std::find_if(points.begin(), points.end(),
                            [&](const Placed& one) { return one.point.id == id; });
    };
    const auto red = find(probes.red), black = find(probes.black);
    const bool held = red != points.end() || black != points.end();
    core::Result<core::lamps::Probed> made = tl::unexpected(core::Error{});
    if (red != points.end() && black != points.end()) {
        made = core::lamps::probed(scene.job, scene.facts.house, probes.red, probes.black,
                                   testerOf(probes));
        if (made) paintLit(input, *made);
    }
    input.keep([&](const OverlayInput& dots) { paintPoints(dots, points); });
    if (red != points.end()) paintProbe(painter, red->at, ProbeColour::Red);
    if (black != points.end()) paintProbe(painter, black->at, ProbeColour::Black);
    if (held) paintPanel(input, points, made);
}

}  // namespace glimmet::app
