#include "app/lamps/schematic.h"

#include "app/picture/scene.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/supply.h"
#include "core/led/preferred_value.h"
#include "core/led/resistor_package.h"
#include "core/quantity/format.h"

#include <QPainter>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr qreal firstColumn = 46;
constexpr qreal columnWidth = 150;
constexpr qreal acrossWidth = 44;  // of one that stands across another, to its left
constexpr qreal partWidth = 104;   // of what the rows share, along the foot
constexpr qreal outputWidth = 250;
constexpr qreal bridgeWidth = 96;  // with the rails on both sides of it
constexpr qreal smoothingWidth = 100;
constexpr qreal footHeight = 44;  // from the foot line to the lower edge
constexpr qreal leastHeight = 228;

QString volts(core::Volts v) { return qs(core::formatted(v, 3)); }
QString ohms(core::Ohms r) { return qs(core::formatted(r)); }

/// IEC 60617: a resistor is a rectangle.
void paintResistor(QPainter& painter, const QRectF& box, const QColor& ink, const QColor& fill) {
    painter.setPen(QPen(ink, 1.8));
    painter.setBrush(fill);
    painter.drawRect(box);
}

/// IEC 60617: triangle to a bar, with two arrows for the light; filled in its colour as it is lit.
void paintLedSymbol(QPainter& painter, const QPointF& middle, qreal size, const QColor& ink,
                    QColor light, double brightness, bool backwards) {
    light.setAlphaF(static_cast<float>(0.15 + 0.85 * brightness));
    painter.setPen(QPen(ink, 1.8));
    painter.setBrush(brightness > 0 ? light : QColor(Qt::transparent));
    const qreal down = backwards ? -1 : 1;
    painter.drawPolygon(QPolygonF{middle + QPointF(-size, -size * down),
                                  middle + QPointF(size, -size * down),
                                  middle + QPointF(0, size * 0.8 * down)});
    painter.drawLine(middle + QPointF(-size, size * 0.8 * down),
                     middle + QPointF(size, size * 0.8 * down));
    for (const qreal shift : {0.0, size * 0.7}) {
        const QPointF from = middle + QPointF(size * 1.1, -size * 0.3 + shift);
        const QPointF to = from + QPointF(size * 0.8, -size * 0.6);
        painter.drawLine(from, to);
        painter.drawLine(to, to + QPointF(-size * 0.4, 0));
        painter.drawLine(to, to + QPointF(0, size * 0.4));
    }
}

/// IEC 60617: a circle with a cross; filled as it is lit.
void paintBulbSymbol(QPainter& painter, const QPointF& middle, qreal size, const QColor& ink,
                     QColor light, double brightness) {
    light.setAlphaF(static_cast<float>(0.15 + 0.85 * brightness));
    painter.setPen(QPen(ink, 1.8));
    painter.setBrush(brightness > 0 ? light : theme().paper);
    painter.drawEllipse(middle, size * 1.15, size * 1.15);
    const qreal arm = size * 1.15 * 0.707;
    painter.drawLine(middle + QPointF(-arm, -arm), middle + QPointF(arm, arm));
    painter.drawLine(middle + QPointF(-arm, arm), middle + QPointF(arm, -arm));
}

/// The minus that everything ends on.
void minusBar(QPainter& painter, const QPointF& at) {
    painter.setPen(QPen(theme().ink, 1.8));
    painter.drawLine(at + QPointF(0, -9), at + QPointF(0, 9));
}

/// An AC terminal: a sine in a ring.
void paintTerminal(QPainter& painter, const QPointF& at) {
    painter.setPen(QPen(theme().ink, 1.6));
    painter.setBrush(theme().paper);
    painter.drawEllipse(at, 8, 8);
    QPainterPath sine(at + QPointF(-5, 0));
    sine.cubicTo(at + QPointF(-3, -6), at + QPointF(-1, -6), at);
    sine.cubicTo(at + QPointF(1, 6), at + QPointF(3, 6), at + QPointF(5, 0));
    painter.setBrush(Qt::NoBrush);
    painter.drawPath(sine);
}

/// A rail from its end.
void paintRail(QPainter& painter, const QPointF& at) {
    painter.setPen(QPen(theme().ink, 2.4));
    painter.drawLine(at + QPointF(-5, 9), at + QPointF(5, 9));
    painter.drawLine(at + QPointF(-3.5, -9), at + QPointF(3.5, -9));
    painter.setPen(QPen(theme().ink, 1.6));
    painter.drawLine(at + QPointF(0, -9), at + QPointF(0, 9));
}

}  // namespace

void Schematic::paintBridge(QPainter& painter, qreal top, qreal foot) {
    const Theme& look = theme();
    const qreal x = firstColumn + 6;
    const qreal half = 24;
    const qreal y = (top + foot) / 2 - 6;
    painter.setPen(QPen(look.ink, 1.8));
    painter.setBrush(look.paper);
    painter.drawPolygon(QPolygonF{QPointF(x, y - half), QPointF(x + half, y), QPointF(x, y + half),
                                  QPointF(x - half, y)});
    // IEC 60617: a diode in the square says that it rectifies, its bar towards the plus.
    painter.drawPolygon(QPolygonF{QPointF(x - 6, y + 5), QPointF(x + 6, y + 5), QPointF(x, y - 5)});
    painter.drawLine(QPointF(x - 6, y - 5), QPointF(x + 6, y - 5));
    painter.drawLine(QPointF(x, y - half), QPointF(x, top));
    painter.drawLine(QPointF(x, y + half), QPointF(x, foot));
    painter.drawLine(QPointF(x - 9, foot), QPointF(x + 9, foot));
    painter.setBrush(look.ink);
    painter.drawEllipse(QPointF(x, top), 2.5, 2.5);
    painter.drawLine(QPointF(x - half, y), QPointF(x - half - 12, y));
    painter.drawLine(QPointF(x + half, y), QPointF(x + half + 12, y));
    for (const qreal side : {-1.0, 1.0}) {
        const QPointF end(x + side * (half + 12), y);
        m_onAc ? paintTerminal(painter, end) : paintRail(painter, end);
    }
    const QString kind = *m_bridge == core::LampBridge::Silicon ? tr("silicon") : tr("Schottky");
    painter.setFont(wordsFont(13));
    painter.setPen(look.inkSoft);
    painter.drawText(QRectF(x + 8, y + half - 4, 70, 20), Qt::AlignLeft | Qt::AlignVCenter, kind);
    m_symbols.push_back(
        {QRectF(x - half - 16, y - half, 2 * half + 32, 2 * half),
         (m_onAc
              ? tr("A bridge of %1 diodes between the AC and the lamps. Press to change it, or to "
                   "enter its drop as measured.")
              : tr("A bridge of %1 diodes between the rails and the lamps. Press to change "
                   "it, or to enter its drop as measured."))
             .arg(kind),
         u"rectifier "_s});
}

void Schematic::paintSmoothing(QPainter& painter, qreal x, qreal top, qreal foot) {
    const Theme& look = theme();
    const qreal y = (top + foot) / 2 + 18;
    painter.setPen(QPen(look.ink, 1.8));
    painter.drawLine(QPointF(x, top), QPointF(x, y - 5));
    painter.drawLine(QPointF(x, y + 5), QPointF(x, foot));
    painter.drawLine(QPointF(x - 9, foot), QPointF(x + 9, foot));
    painter.setBrush(look.ink);
    painter.drawEllipse(QPointF(x, top), 2.5, 2.5);
    painter.setPen(QPen(look.ink, 2.6));
    painter.drawLine(QPointF(x - 13, y - 4), QPointF(x + 13, y - 4));
    painter.drawLine(QPointF(x - 13, y + 4), QPointF(x + 13, y + 4));
    if (m_smoothing->kind != core::CapacitorKind::Ceramic) {
        painter.setFont(wordsFont(13));
        painter.drawText(QPointF(x - 22, y - 8), u"+"_s);
    }
    if (m_smoothing->charge > core::Ohms{0}) {
        const QRectF box(x - 7, top + 22, 14, 30);
        paintResistor(painter, box, look.ink, look.paper);
        // The diode past it points back to the plus.
        const qreal d = x - 20;
        painter.drawLine(QPointF(d, top + 14), QPointF(d, top + 60));
        painter.drawLine(QPointF(d, top + 14), QPointF(x, top + 14));
        painter.drawLine(QPointF(d, top + 60), QPointF(x, top + 60));
        painter.setBrush(look.paper);
        painter.drawPolygon(
            QPolygonF{QPointF(d - 5, top + 42), QPointF(d + 5, top + 42), QPointF(d, top + 33)});
        painter.drawLine(QPointF(d - 5, top + 33), QPointF(d + 5, top + 33));
        painter.setFont(figuresFont(13, true));
        painter.setPen(look.ink);
        painter.drawText(QRectF(x + 12, top + 26, 70, 22), Qt::AlignLeft | Qt::AlignVCenter,
                         ohms(m_smoothing->charge));
    }
    if (m_smoothing->bleed > core::Ohms{0}) {
        // Straight across it, on the side where nothing else stands.
        const qreal b = x - 24;
        painter.setPen(QPen(look.ink, 1.8));
        painter.drawPolyline(QPolygonF{{x, y - 12}, {b, y - 12}, {b, y + 26}, {x, y + 26}});
        paintResistor(painter, QRectF(b - 5, y - 6, 10, 26), look.ink, look.paper);
    }
    painter.setFont(figuresFont(13, true));
    painter.setPen(look.ink);
    painter.drawText(QRectF(x + 16, y - 20, 80, 20), Qt::AlignLeft | Qt::AlignVCenter,
                     qs(core::formatted(m_smoothing->capacitance)));
    painter.setFont(figuresFont(13));
    painter.drawText(QRectF(x + 16, y, 80, 20), Qt::AlignLeft | Qt::AlignVCenter,
                     volts(m_smoothing->rated));
    m_symbols.push_back({QRectF(x - 26, top + 8, 100, foot - top - 16),
                         m_smoothing->bleed > core::Ohms{0}
                             ? tr("The capacitor behind the bridge, %1 across it. Press to change "
                                  "it.")
                                   .arg(ohms(m_smoothing->bleed))
                             : tr("The capacitor behind the bridge. Press to change it."),
                         u"smoothing "_s});
}

Schematic::Schematic(QWidget* parent) : SymbolBoard(parent) {
    setObjectName(u"schematic"_s);
    setAttribute(Qt::WA_OpaquePaintEvent);
    setAccessibleName(tr("Schematic"));
}

void Schematic::show(const core::JobAnalysis& facts, const core::LampGroup* group,
                     const QString& empty) {
    if (!group || group->id != m_group.id) m_inHand = 0;
    m_has = false;
    m_empty = empty;
    if (group) {
        if (const core::GroupState* state = facts.group(group->id)) {
            m_has = true;
            m_group = *group;
            m_state = *state;
            m_onSupply = group->output == core::supplyOutput;
            m_resistorFirst = facts.house.leg == core::ResistorLeg::Plus;
            m_onRails = m_onSupply && core::turnsRound(facts.job);
            m_onAc = facts.job.feed == core::Feed::Ac;
            m_oneWay = core::oneWayOnly(facts.job, *group);
            m_bridge = m_onRails && !m_oneWay ? facts.job.supply.lampBridge : std::nullopt;
            m_smoothing = m_bridge ? facts.job.supply.smoothing : std::nullopt;
            const core::DecoderOutput* output = core::outputNamed(facts.job, group->output);
            m_outputWire = output ? qs(output->wire) : QString();
            setAccessibleName(tr("Schematic of %1, rows: %2, %3 in all")
                                  .arg(qs(group->name))
                                  .arg(group->rows.size())
                                  .arg(qs(core::formatted(state->total, 3))));
        }
    }
    updateGeometry();
    update();
}

qreal Schematic::rowsFrom() const {
    return firstColumn + (m_bridge ? bridgeWidth : 0) + (m_smoothing ? smoothingWidth : 0);
}

namespace {

/// How far the lamps of a row reach to its left: those that stand across each other lie side by
/// side.
qreal acrossOf(const core::LampRow& row) {
    std::size_t most = 1;
    for (std::size_t i = 0; i < row.lamps.size(); ++i) {
        most = std::max(most, core::standAcross(row, i));
    }
    return static_cast<qreal>(most - 1) * acrossWidth;
}

/// "warm white 0603", or "2 × warm white 0603" of those that stand across each other.
QString setName(const core::LampRow& row, std::size_t first) {
    const std::size_t count = core::standAcross(row, first);
    if (count == 1) return qs(row.lamps[first].part.name);
    QStringList others;
    for (std::size_t i = first; i < first + count; ++i) {
        const QString name = qs(row.lamps[i].part.name);
        if (!others.contains(name)) others << name;
    }
    return others.size() == 1 ? u"%1 × %2"_s.arg(count).arg(others.front()) : others.join(u" ‖ "_s);
}

}  // namespace

qreal Schematic::columnAt(std::size_t row) const {
    qreal x = rowsFrom();
    for (std::size_t r = 0; r < row; ++r) x += columnWidth + acrossOf(m_group.rows[r]);
    return x + acrossOf(m_group.rows[row]);
}

QSize Schematic::minimumSizeHint() const {
    std::size_t deepest = 1;
    for (const core::LampRow& row : m_group.rows) deepest = std::max(deepest, row.lamps.size());
    const qreal right = m_has ? columnAt(m_group.rows.size() - 1) : rowsFrom();
    const qreal shared =
        (m_group.driver() ? 1 : 0) + (m_group.contact ? 1 : 0) + (m_oneWay ? 1 : 0) +
        (m_group.shared() > core::Ohms{0} ? 1 : 0) +
        (!m_state.outputSeriesKnown || m_state.outputSeries > core::Ohms{0} ? 1 : 0);
    return {qRound(qMax(right + columnWidth, rowsFrom() + shared * partWidth + outputWidth)),
            qRound(leastHeight + 46 * static_cast<qreal>(deepest - 1))};
}

Schematic::RowLayout Schematic::rowLayout(std::size_t r, qreal top, qreal bottom) const {
    const core::LampRow& row = m_group.rows[r];
    const qreal x = columnAt(r);
    constexpr qreal resistorHeight = 40;
    // In the lead that the house has it in: above its lamps in plus, below them in minus.
    const qreal resistorTop = m_resistorFirst ? top + 18 : bottom - 20 - resistorHeight;
    const qreal ledsFrom = m_resistorFirst ? resistorTop + resistorHeight : top;
    const qreal ledsTo = m_resistorFirst ? bottom : resistorTop;
    const auto places = std::count_if(row.lamps.begin(), row.lamps.end(),
                                      [](const core::Lamp& lamp) { return !lamp.parallel; });
    const qreal ledSpace = (ledsTo - ledsFrom - 14) / static_cast<qreal>(places);
    RowLayout layout{x, QRectF(x - 8, resistorTop, 16, resistorHeight), {}};
    qreal place = -1, beside = 0;
    for (const core::Lamp& lamp : row.lamps) {
        beside = lamp.parallel ? beside + 1 : 0;
        if (!lamp.parallel) ++place;
        layout.lamps.emplace_back(x - beside * acrossWidth,
                                  ledsFrom + 14 + ledSpace * (place + 0.5));
    }
    return layout;
}

void Schematic::addSymbols(std::size_t r, const RowLayout& layout) {
    const core::LampRow& row = m_group.rows[r];
    const core::RowState& state = m_state.rows[r];
    const QString called =
        m_group.rows.size() == 1 ? qs(m_group.name) : u"%1/%2"_s.arg(qs(m_group.name)).arg(r + 1);
    for (std::size_t i = 0; i < row.lamps.size(); ++i) {
        const core::Lamp& lamp = row.lamps[i];
        const QPointF middle = layout.lamps[i];
        if (lamp.parallel) {
            m_symbols.push_back(
                {QRectF(middle.x() - 16, middle.y() - 20, 36, 40),
                 tr("%1 straight across the lamp beside it in %2: %3 of the current. Press to say "
                    "what stands across.")
                     .arg(qs(lamp.part.name), called, qs(core::percent(state.share[i]))),
                 tr("twin %1 ").arg(called)});
            continue;
        }
        const bool bulb = lamp.part.filament.has_value();
        m_symbols.push_back({QRectF(layout.x - 16, middle.y() - 20, columnWidth - 4, 40),
                             tr("%1 in %2, %3. Press to say what it is.")
                                 .arg(qs(lamp.part.name), called,
                                      bulb                ? tr("as printed on it or read")
                                      : lamp.measured     ? tr("measured")
                                      : lamp.part.forward ? tr("from the catalogue")
                                                          : tr("assumed for its colour")),
                             (bulb ? tr("bulb %1 ") : tr("lamp %1 ")).arg(qs(m_group.name))});
    }
    // Where none is chosen it begins at what the wish comes to.
    const core::Ohms from =
        row.resistor.value_or(core::Ohms{0}) > core::Ohms{0} ? *row.resistor : state.ideal;
    m_symbols.push_back(
        {layout.resistor.adjusted(-8, -4, columnWidth - 40, 4),
         row.resistor
             ? tr("Resistor of %1: %2, chosen; %3 of heat, so %4 or larger. "
                  "Press it, then the arrows up and down step it, Return types it.")
                   .arg(called, ohms(*row.resistor), qs(core::formatted(state.resistorPower, 3)),
                        qs(core::resistorBody(state.resistorPower)))
             : tr("Resistor of %1: not chosen yet. The options are in the "
                  "reckoning.")
                   .arg(called),
         tr("resistor %1 ").arg(called), stepped(u"resistor "_s + called, from, true),
         stepped(u"resistor "_s + called, from, false)});
}

void Schematic::paintRow(QPainter& painter, std::size_t r, const RowLayout& layout, qreal top,
                         qreal bottom) {
    const Theme& look = theme();
    const core::LampRow& row = m_group.rows[r];
    const core::RowState& state = m_state.rows[r];
    const qreal x = layout.x;
    const QRectF& resistor = layout.resistor;
    painter.setPen(QPen(look.ink, 1.8));
    painter.drawLine(QPointF(x, top), QPointF(x, resistor.top()));
    painter.drawLine(QPointF(x, resistor.bottom()), QPointF(x, bottom));
    painter.setBrush(look.ink);
    painter.drawEllipse(QPointF(x, top), 2.5, 2.5);
    painter.drawEllipse(QPointF(x, bottom), 2.5, 2.5);

    for (std::size_t i = 0; i < row.lamps.size(); ++i) {
        const core::Lamp& lamp = row.lamps[i];
        const QPointF middle = layout.lamps[i];
        if (lamp.parallel) {
            // A bar over both and one under both, from the one before it.
            painter.setPen(QPen(look.ink, 1.8));
            painter.setBrush(Qt::NoBrush);
            const QPointF up(middle.x(), middle.y() - 17), down(middle.x(), middle.y() + 17);
            painter.drawPolyline(
                QPolygonF{up + QPointF(acrossWidth, 0), up, down, down + QPointF(acrossWidth, 0)});
        }
        const QColor light = lampColour(lamp.part.family, lamp.part.tint);
        painter.setPen(Qt::NoPen);
        painter.setBrush(look.paper);
        painter.drawRect(QRectF(middle.x() - 2, middle.y() - 9, 4, 17));
        const bool bulb = lamp.part.filament.has_value();
        const double brightness =
            core::perceivedBrightness(state.light * state.share[i] / state.share.front());
        if (bulb)
            paintBulbSymbol(painter, middle, 9, look.ink, light, brightness);
        else
            paintLedSymbol(painter, middle, 9, look.ink, light, brightness, row.backwards);
        if (lamp.parallel) continue;
        painter.setPen(look.ink);
        painter.setFont(figuresFont(13));
        const QRectF words(x + 22, middle.y() - 22, columnWidth - 30, 36);
        const QString value = state.connected ? volts(state.led[i]) : QString();
        painter.drawText(words, Qt::AlignLeft | Qt::AlignTop, value);
        painter.setFont(wordsFont(13));
        painter.setPen(look.inkSoft);
        // What stands before it lets through a share of its light: that is said before its name.
        const QString part =
            row.path.isOpen()
                ? setName(row, i)
                : tr("%1 seen, %2").arg(qs(core::percent(state.arrives)), setName(row, i));
        painter.drawText(
            words, Qt::AlignLeft | Qt::AlignBottom,
            QFontMetricsF(painter.font()).elidedText(part, Qt::ElideRight, words.width()));
    }
    const bool none = row.resistor && !(*row.resistor > core::Ohms{0});
    if (none) {
        painter.setPen(QPen(look.ink, 1.8));
        painter.drawLine(QPointF(x, resistor.top()), QPointF(x, resistor.bottom()));
    } else {
        if (!row.resistor) painter.setPen(QPen(look.ask, 1.8, Qt::DashLine));
        paintResistor(painter, resistor, row.resistor ? look.ink : look.ask, look.paper);
    }
    painter.setFont(figuresFont(14, true));
    painter.setPen(row.resistor ? look.ink : look.ask);
    const QRectF words(x + 14, resistor.top() - 1, columnWidth - 20, resistor.height() + 2);
    painter.drawText(words, Qt::AlignLeft | Qt::AlignTop,
                     !row.resistor ? tr("choose")
                     : none        ? tr("none")
                                   : ohms(*row.resistor));
    painter.setFont(figuresFont(13));
    const auto against = [&](core::Amperes current) {
        return core::stateAgainst(current.value(), state.limit.value(), core::lampCloseAbove);
    };
    if (state.connected) {
        const QString typical =
            (row.backwards ? u"↑ %1"_s : u"↓ %1"_s).arg(qs(core::formatted(state.current, 3))) +
            (m_state.wave == core::Wave::Steady ? QString() : tr(" mean"));
        painter.setPen(look.of(against(state.current)));
        painter.drawText(words, Qt::AlignLeft | Qt::AlignBottom, typical);
        // What is over in the worst case only is marked apart, in outline.
        if (against(state.highest) > against(state.current)) {
            const QColor colour = look.of(against(state.highest));
            painter.setPen(colour);
            painter.drawText(words.translated(0, 18), Qt::AlignLeft | Qt::AlignBottom,
                             tr("at worst %1").arg(qs(core::formatted(state.highest, 3))));
            painter.setPen(QPen(colour, 1.4, Qt::DashLine));
            painter.setBrush(Qt::NoBrush);
            painter.drawRoundedRect(resistor.adjusted(-6, -6, 6, 6), 5, 5);
        }
    }
}

QString Schematic::stepped(const QString& start, core::Ohms from, bool up) const {
    if (!(from > core::Ohms{0})) return {};
    const core::Ohms to = core::steppedFrom(from, m_group.wish.series, up);
    return start + u' ' + qs(core::formatted(to, 6)).remove(u' ');
}

void Schematic::paint(QPainter& painter) {
    const Theme& look = theme();
    painter.fillRect(rect(), look.paper);
    painter.setRenderHint(QPainter::Antialiasing);
    m_symbols.clear();
    if (!m_has) {
        painter.setFont(wordsFont(15));
        painter.setPen(look.ink);
        painter.drawText(rect().adjusted(24, 20, -24, -20), Qt::AlignCenter | Qt::TextWordWrap,
                         m_empty);
        return;
    }
    const qreal top = 40;
    const qreal foot = height() - footHeight;
    const qreal bottom = foot - 42;
    const qreal first = rowsFrom();
    const qreal lastX = columnAt(m_group.rows.size() - 1);
    paintCommon(painter, top, lastX);

    // Rows beyond what is to be painted have their symbols, for the keyboard, and no more.
    const bool all = !painter.hasClipping();
    const QRectF asked = painter.clipBoundingRect();
    for (std::size_t r = 0; r < m_group.rows.size(); ++r) {
        const RowLayout layout = rowLayout(r, top, bottom);
        addSymbols(r, layout);
        const qreal reach = acrossOf(m_group.rows[r]) + columnWidth;
        if (all || (layout.x - reach < asked.right() && layout.x + reach > asked.left()))
            paintRow(painter, r, layout, top, bottom);
    }

    painter.setPen(QPen(look.ink, 1.8));
    painter.drawLine(QPointF(qMin(first, columnAt(0)), bottom), QPointF(lastX, bottom));
    painter.drawLine(QPointF(first, bottom), QPointF(first, foot));
    if (m_bridge) paintBridge(painter, top, foot);
    if (m_smoothing) paintSmoothing(painter, firstColumn + bridgeWidth, top, foot);
    paintFoot({painter, first, foot});
}

/// The common (blue) along the top, as a wire in its insulation.
void Schematic::paintCommon(QPainter& painter, qreal top, qreal lastX) {
    QPainterPath common(QPointF(20, top));
    common.lineTo(lastX, top);
    paintWire(painter, common, m_onSupply ? wireColour(u"red"_s) : wireColour(u"blue"_s), 3);
    painter.setFont(wordsFont(13, true));
    painter.setPen(theme().ink);
    painter.drawText(QRectF(16, top - 34, 330, 26), Qt::AlignLeft | Qt::AlignVCenter,
                     m_bridge && m_state.wave != core::Wave::Steady
                         ? tr("+ behind the bridge, %1 at the crest").arg(volts(m_state.bus))
                     : m_bridge ? tr("+ behind the bridge, %1").arg(volts(m_state.bus))
                     : m_onAc && m_state.wave != core::Wave::Steady
                         ? tr("AC, %1 at the crest").arg(volts(m_state.bus))
                     : m_onAc     ? tr("AC, %1").arg(volts(m_state.bus))
                     : m_onRails  ? tr("one rail, %1 to and fro").arg(volts(m_state.bus))
                     : m_onSupply ? tr("+ supply, %1").arg(volts(m_state.bus))
                                  : tr("+ common (blue), %1").arg(volts(m_state.bus)));
    m_symbols.push_back({QRectF(16, top - 36, 240, 42),
                         tr("What the lamps hang on: %1 above decoder ground. Press to enter the "
                            "measured track volts.")
                             .arg(volts(m_state.bus)),
                         u"track "_s});
}

void Schematic::Foot::lead(qreal by) {
    painter.setPen(QPen(theme().ink, 1.8));
    painter.drawLine(QPointF(x, foot), QPointF(x + by, foot));
    x += by;
}

/// What the rows share leads back along the foot: shared resistor, the output's own, its wire, the
/// switch, ground.
void Schematic::paintFoot(Foot on) {
    const Theme& look = theme();
    if (m_group.shared() > core::Ohms{0}) {
        seriesPart(on, ohms(m_group.shared()), tr("shared"),
                   tr("One resistor for all rows of %1, chosen. Press it, then the arrows up and "
                      "down step it, Return types it.")
                       .arg(qs(m_group.name)),
                   tr("shared %1 ").arg(qs(m_group.name)), look.ink,
                   stepped(u"shared "_s + qs(m_group.name), m_group.shared(), true),
                   stepped(u"shared "_s + qs(m_group.name), m_group.shared(), false));
    }
    if (m_oneWay) paintOneWay(on);
    if (m_group.contact) paintContact(on);
    if (const core::ThroughDriver* driver = m_group.driver()) {
        seriesPart(on, qs(core::formatted(driver->current)), tr("driver"),
                   tr("A driver keeps the current of %1 and needs %2 itself. Press to change it.")
                       .arg(qs(m_group.name), volts(driver->dropout)),
                   tr("driver %1 ").arg(qs(m_group.name)), look.ink);
    }
    if (!m_onSupply && !m_state.outputSeriesKnown) {
        seriesPart(on, tr("?"), tr("on the board"),
                   tr("Whether output %1 carries a resistor on the board is not known; none is "
                      "assumed. Press to enter what you find.")
                       .arg(qs(m_group.output)),
                   tr("output %1 ").arg(qs(m_group.output)), look.ask);
    } else if (!m_onSupply && m_state.outputSeries > core::Ohms{0}) {
        seriesPart(on, ohms(m_state.outputSeries), tr("on the board"),
                   tr("Resistor of output %1 on the decoder's board. Press to correct it.")
                       .arg(qs(m_group.output)),
                   tr("output %1 ").arg(qs(m_group.output)), look.ink);
    }
    m_onSupply ? paintSupplyEnd(on) : paintOutput(on);
}

void Schematic::seriesPart(Foot& on, const QString& value, const QString& words, const QString& tip,
                           const QString& jot, const QColor& ink, const QString& up,
                           const QString& down) {
    on.lead(30);
    const QRectF box(on.x, on.foot - 8, 44, 16);
    paintResistor(on.painter, box, ink, theme().paper);
    on.painter.setFont(figuresFont(13, true));
    on.painter.setPen(ink);
    on.painter.drawText(QRectF(on.x - 24, on.foot - 29, 92, 20), Qt::AlignCenter, value);
    on.painter.setFont(wordsFont(13));
    on.painter.drawText(QRectF(on.x - 34, on.foot + 11, 112, 20), Qt::AlignCenter, words);
    m_symbols.push_back({box.adjusted(-20, -22, 20, 22), tip, jot, up, down});
    on.x += 44;
    on.lead(30);
}

void Schematic::paintOneWay(Foot& on) {
    on.lead(30);
    on.painter.setBrush(theme().paper);
    on.painter.drawPolygon(QPolygonF{QPointF(on.x, on.foot - 8), QPointF(on.x, on.foot + 8),
                                     QPointF(on.x + 14, on.foot)});
    on.painter.drawLine(QPointF(on.x + 14, on.foot - 8), QPointF(on.x + 14, on.foot + 8));
    on.painter.setFont(wordsFont(13));
    on.painter.drawText(QRectF(on.x - 34, on.foot + 11, 84, 20), Qt::AlignCenter, tr("one way"));
    m_symbols.push_back({QRectF(on.x - 14, on.foot - 14, 44, 44),
                         tr("A diode before %1: it lights in one direction, and nothing turns it "
                            "round. Press to change it.")
                             .arg(qs(m_group.name)),
                         tr("oneway %1 ").arg(qs(m_group.name))});
    on.x += 14;
    on.lead(20);
}

void Schematic::paintContact(Foot& on) {
    on.lead(30);
    on.painter.setBrush(theme().ink);
    on.painter.drawEllipse(QPointF(on.x, on.foot), 2.5, 2.5);
    on.painter.drawLine(QPointF(on.x, on.foot), QPointF(on.x + 26, on.foot - 11));
    on.painter.drawEllipse(QPointF(on.x + 28, on.foot), 2.5, 2.5);
    on.painter.setFont(figuresFont(13, true));
    on.painter.drawText(QRectF(on.x - 24, on.foot - 33, 76, 20), Qt::AlignCenter,
                        qs(core::formatted(m_group.contact->limit)));
    on.painter.setFont(wordsFont(13));
    on.painter.drawText(QRectF(on.x - 34, on.foot + 11, 96, 20), Qt::AlignCenter,
                        m_group.contact->poles == 2 ? tr("two-pole switch") : tr("switch"));
    m_symbols.push_back({QRectF(on.x - 14, on.foot - 34, 56, 66),
                         tr("The switch before %1: its contacts bear %2. Press to change it.")
                             .arg(qs(m_group.name), qs(core::formatted(m_group.contact->limit))),
                         tr("toggle %1 ").arg(qs(m_group.name))});
    on.x += 28;
    on.lead(30);
}

void Schematic::paintSupplyEnd(Foot& on) {
    on.lead(30);
    on.painter.setFont(wordsFont(13, true));
    on.painter.setPen(theme().ink);
    if (m_bridge) {
        minusBar(on.painter, QPointF(on.x, on.foot));
        on.x += 6;
    }
    on.painter.drawText(QRectF(on.x + 6, on.foot - 12, 160, 24), Qt::AlignVCenter,
                        m_bridge    ? tr("− of the bridge")
                        : m_onAc    ? tr("AC, the other wire")
                        : m_onRails ? tr("the other rail")
                                    : tr("− supply"));
}

void Schematic::paintOutput(Foot& on) {
    const Theme& look = theme();
    QPainterPath wire(QPointF(on.x, on.foot));
    wire.lineTo(on.x + 40, on.foot);
    paintWire(on.painter, wire, wireColour(m_outputWire), 3);
    on.painter.setFont(wordsFont(13, true));
    on.painter.setPen(look.ink);
    on.painter.drawText(QRectF(on.x + 6, on.foot - 32, 200, 20), Qt::AlignLeft | Qt::AlignVCenter,
                        m_outputWire.isEmpty()
                            ? tr("output %1").arg(qs(m_group.output))
                            : tr("output %1, %2").arg(qs(m_group.output), m_outputWire));
    on.painter.setFont(figuresFont(13));
    on.painter.drawText(QRectF(on.x + 6, on.foot + 11, 100, 20), Qt::AlignLeft | Qt::AlignVCenter,
                        u"→ %1"_s.arg(qs(core::formatted(m_state.total, 3))));
    on.x += 40;
    on.painter.setPen(QPen(look.ink, 1.8));
    on.painter.drawLine(QPointF(on.x, on.foot), QPointF(on.x + 22, on.foot - 11));
    on.painter.setBrush(look.ink);
    on.painter.drawEllipse(QPointF(on.x, on.foot), 2.5, 2.5);
    on.painter.drawEllipse(QPointF(on.x + 24, on.foot), 2.5, 2.5);
    on.painter.drawLine(QPointF(on.x + 24, on.foot), QPointF(on.x + 58, on.foot));
    minusBar(on.painter, QPointF(on.x + 58, on.foot));
    on.painter.setFont(wordsFont(13));
    on.painter.setPen(look.inkSoft);
    on.painter.drawText(QRectF(on.x + 68, on.foot - 10, 140, 20), Qt::AlignLeft | Qt::AlignVCenter,
                        tr("− decoder ground"));
}

}  // namespace glimmet::app
