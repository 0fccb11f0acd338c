#include "app/stay_alive/bank_drawing.h"

#include "app/picture/scene.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QPainter>
#include <QPainterPath>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

// Where things stand; all else follows from these.
constexpr qreal plus = 72, minus = 178, control = 125;  // heights of the wires
constexpr qreal decoderRight = 104;
constexpr qreal from = 208, to = 316;  // the charge path lies between them
constexpr qreal clampAt = 356, bankLeft = 392, bankWidth = 92;
constexpr qreal rails = 226, stepsLeft = 508;
constexpr qreal stepsTop = 16, stepGap = 5;

void dot(QPainter& painter, const QPointF& at) {
    painter.setBrush(theme().ink);
    painter.drawEllipse(at, 2.5, 2.5);
}

/// A diode that lets current go left, its band there; or, standing, up with a Zener's bent band.
void paintDiode(QPainter& painter, const QPointF& at, bool zener) {
    painter.save();
    painter.translate(at);
    if (zener) painter.rotate(90);
    painter.setPen(QPen(theme().ink, 1.8));
    painter.setBrush(theme().paper);
    painter.drawPolygon(QPolygonF{QPointF(9, -9), QPointF(9, 9), QPointF(-9, 0)});
    painter.drawLine(QPointF(-9, -9), QPointF(-9, 9));
    if (zener) {
        painter.drawLine(QPointF(-9, -9), QPointF(-5, -9));
        painter.drawLine(QPointF(-9, 9), QPointF(-13, 9));
    }
    painter.restore();
}

void words(QPainter& painter, const QRectF& where, const QString& said, bool strong = false,
           int align = Qt::AlignCenter) {
    painter.setFont(strong ? figuresFont(13, true) : wordsFont(13));
    painter.setPen(strong ? theme().ink : theme().inkSoft);
    painter.drawText(where, align | Qt::TextWordWrap, said);
}

}  // namespace

BankDrawing::BankDrawing(QWidget* parent) : SymbolBoard(parent) {
    setObjectName(u"bankDrawing"_s);
    setAccessibleName(tr("How the bank is wired"));
    setMinimumSize(720, 250);
}

void BankDrawing::show(const core::Job& job, const core::WorkshopRules& house) {
    m_wiring = core::stay_alive::bankWiring(job, house);
    if (job.bank) m_kind = job.bank->part.kind;
    QString all = m_wiring ? tr("How the bank is wired:") : tr("No bank to wire");
    if (m_wiring) {
        for (const core::Text& step : m_wiring->steps) all += u' ' + app::said(step);
    }
    setAccessibleName(all);
    measure();
    update();
}

void BankDrawing::paint(QPainter& painter) {
    painter.fillRect(rect(), theme().paper);
    painter.setRenderHint(QPainter::Antialiasing);
    m_symbols.clear();
    if (!m_wiring) {
        words(painter, rect(),
              tr("No bank fitted: nothing to wire. Take one of the options, or type bank."));
        return;
    }
    // Plus in the colour of the common, minus in black: what they are called at the decoder.
    QPainterPath above(QPointF(decoderRight, plus));
    above.lineTo(bankLeft + bankWidth / 2, plus);
    above.lineTo(bankLeft + bankWidth / 2, plus + 16);
    paintWire(painter, above, wireColour(u"blue"_s), 3);
    QPainterPath below(QPointF(decoderRight, minus));
    below.lineTo(bankLeft + bankWidth / 2, minus);
    below.lineTo(bankLeft + bankWidth / 2, minus - 16);
    paintWire(painter, below, wireColour(u"black"_s), 3);
    paintDecoder(painter);
    paintCharge(painter);
    if (m_wiring->clamp) paintClamp(painter);
    paintBank(painter);
    paintRails(painter);
    paintSteps(painter);
}

void BankDrawing::paintDecoder(QPainter& painter) {
    const Theme& look = theme();
    const QRectF box(18, plus - 26, decoderRight - 18, minus - plus + 52);
    painter.setPen(QPen(look.ink, 1.8));
    painter.setBrush(look.paperRaised);
    painter.drawRect(box);
    words(painter, box.adjusted(6, 44, -6, -44), tr("decoder"));
    const auto terminal = [&](qreal y, const QString& sign) {
        painter.setPen(QPen(look.ink, 1.8));
        painter.setBrush(look.paper);
        painter.drawRect(QRectF(decoderRight - 12, y - 8, 12, 16));
        words(painter, {decoderRight - 34, y - 12, 20, 24}, sign, true);
    };
    terminal(plus, u"+"_s);
    terminal(minus, u"−"_s);
    words(painter, {decoderRight + 4, plus + 5, 104, 50}, app::said(m_wiring->plusTo), false,
          Qt::AlignLeft | Qt::AlignTop);
    words(painter, {decoderRight + 4, minus + 4, 190, 20}, app::said(m_wiring->minusTo), false,
          Qt::AlignLeft | Qt::AlignTop);
    if (!m_wiring->thirdWire) return;
    terminal(control, tr("c"));
    QPainterPath third(QPointF(decoderRight, control));
    third.lineTo(bankLeft, control);
    paintWire(painter, third, wireColour(u"grey"_s), 2.4);
}

void BankDrawing::paintCharge(QPainter& painter) {
    const Theme& look = theme();
    if (m_wiring->inModule) return;
    const bool limited = m_wiring->charge > core::Ohms{0};
    const QRectF box((from + to) / 2 - 26, plus - 9, 52, 18);
    painter.setPen(
        QPen(limited ? look.ink : look.over, 1.8, limited ? Qt::SolidLine : Qt::DashLine));
    painter.setBrush(look.paper);
    painter.drawRect(box);
    words(painter, box.adjusted(-20, 18, 20, 20),
          limited ? qs(core::formatted(m_wiring->charge)) : tr("none: it sparks"), true);
    m_symbols.push_back({box.adjusted(-10, -8, 10, 20),
                         tr("Limits the charge: without it the bank is a short for a moment. Press "
                            "to change it."),
                         u"charge "_s});
    const qreal y = plus - 40;
    painter.setPen(QPen(look.ink, 1.8));
    if (!(m_wiring->diode > core::Volts{0})) {
        words(painter, {from, y - 12, to - from, 20}, tr("no diode past it"));
        m_symbols.push_back(
            {QRectF(from, y - 12, to - from, 22),
             tr("Without a diode the bank gives back through its resistor only. Press "
                "to put one there."),
             u"diode "_s});
        return;
    }
    painter.setBrush(Qt::NoBrush);
    painter.drawPolyline(
        QPolygonF{QPointF(from, plus), QPointF(from, y), QPointF(to, y), QPointF(to, plus)});
    dot(painter, {from, plus});
    dot(painter, {to, plus});
    paintDiode(painter, {(from + to) / 2, y}, false);
    words(painter, {(from + to) / 2 - 76, y - 26, 64, 20}, tr("band"));
    words(painter, {(from + to) / 2 + 12, y - 26, 64, 20}, qs(core::formatted(m_wiring->diode)),
          true);
    m_symbols.push_back({QRectF((from + to) / 2 - 18, y - 14, 36, 28),
                         tr("Gives the bank back past the resistor; its band lies towards the "
                            "decoder. Press to change it."),
                         u"diode "_s});
}

void BankDrawing::paintClamp(QPainter& painter) {
    const qreal middle = (plus + minus) / 2;
    painter.setPen(QPen(theme().ink, 1.8));
    painter.drawLine(QPointF(clampAt, plus), QPointF(clampAt, minus));
    dot(painter, {clampAt, plus});
    dot(painter, {clampAt, minus});
    paintDiode(painter, {clampAt, middle}, true);
    words(painter, {clampAt - 76, middle - 12, 60, 24}, qs(core::formatted(m_wiring->clamp->volts)),
          true, Qt::AlignRight | Qt::AlignVCenter);
    m_symbols.push_back(
        {QRectF(clampAt - 16, middle - 18, 32, 36),
         tr("A Zener across the bank, its band at plus, behind the charge resistor. "
            "Press to change it."),
         u"clamp "_s});
}

void BankDrawing::paintBank(QPainter& painter) {
    const Theme& look = theme();
    const QRectF box(bankLeft, plus + 16, bankWidth, minus - plus - 32);
    painter.setPen(QPen(look.ink, 1.6));
    const QColor sleeve = m_kind == core::BankKind::Tantalum ? QColor(0xD9, 0xA4, 0x3A)
                          : m_kind == core::BankKind::Module ? QColor(0x3A, 0x3C, 0x40)
                                                             : QColor(0x2B, 0x3A, 0x55);
    painter.setBrush(sleeve);
    const qreal round = m_kind == core::BankKind::Tantalum ? 2 : 10;
    painter.drawRoundedRect(box, round, round);
    // The mark lies where it lies on the part: a stripe along minus, a bar along plus.
    const QColor mark(0xE8, 0xEA, 0xE6);
    if (m_kind != core::BankKind::Module) {
        painter.fillRect(m_wiring->markIsPlus
                             ? QRectF(box.left() + 1, box.top() + 5, box.width() - 2, 8)
                             : QRectF(box.left() + 1, box.bottom() - 15, box.width() - 2, 10),
                         mark);
    }
    painter.setFont(figuresFont(17, true));
    painter.setPen(m_wiring->markIsPlus ? QColor(0x2A, 0x20, 0x08) : mark);
    painter.drawText(box.adjusted(8, 14, -8, -14), Qt::AlignTop | Qt::AlignLeft, u"+"_s);
    painter.drawText(box.adjusted(8, 14, -8, -16), Qt::AlignBottom | Qt::AlignLeft, u"−"_s);
    if (m_wiring->cells > 1) {
        painter.setFont(wordsFont(13));
        painter.drawText(box.adjusted(26, 0, -4, 0), Qt::AlignCenter | Qt::TextWordWrap,
                         m_wiring->balanced
                             ? tr("%1 cells, a resistor across each").arg(m_wiring->cells)
                             : tr("%1 cells").arg(m_wiring->cells));
    }
    m_symbols.push_back({box,
                         tr("%1: %2. Press to take another.")
                             .arg(app::said(m_wiring->name), app::said(m_wiring->mark)),
                         u"bank "_s});
}

void BankDrawing::paintRails(QPainter& painter) {
    const Theme& look = theme();
    painter.setPen(QPen(look.inkSoft, 2.2));
    for (const qreal y : {rails, rails + 9}) painter.drawLine(QPointF(18, y), QPointF(228, y));
    painter.setPen(QPen(look.over, 2.4));
    const QPointF at(bankLeft - 96, rails + 4);
    painter.drawLine(at + QPointF(-7, -7), at + QPointF(7, 7));
    painter.drawLine(at + QPointF(-7, 7), at + QPointF(7, -7));
    words(painter, {at.x() + 14, rails - 8, 190, 24}, tr("never to a rail or the frame"), false,
          Qt::AlignLeft | Qt::AlignVCenter);
    painter.setPen(QPen(look.over, 1.4, Qt::DashLine));
    painter.drawLine(QPointF(228, rails + 4), at + QPointF(-12, 0));
}

void BankDrawing::resizeEvent(QResizeEvent* event) {
    SymbolBoard::resizeEvent(event);
    measure();
}

void BankDrawing::measure() {
    qreal y = stepsTop;
    const QFontMetricsF metrics(wordsFont(13));
    const QRectF column(0, 0, width() - stepsLeft - 34, 400);
    if (m_wiring) {
        for (const core::Text& step : m_wiring->steps) {
            const QRectF used =
                metrics.boundingRect(column, Qt::AlignLeft | Qt::TextWordWrap, app::said(step));
            y += used.height() + stepGap;
        }
    }
    setMinimumHeight(qMax(250, qRound(y)));
}

void BankDrawing::paintSteps(QPainter& painter) {
    qreal y = stepsTop;
    const qreal wide = width() - stepsLeft - 14;
    int number = 1;
    painter.setFont(wordsFont(13));
    for (const core::Text& step : m_wiring->steps) {
        const QString said = app::said(step);
        painter.setPen(theme().inkSoft);
        painter.drawText(QRectF(stepsLeft, y, 18, 20), Qt::AlignLeft, QString::number(number++));
        painter.setPen(theme().ink);
        QRectF used;
        painter.drawText(QRectF(stepsLeft + 20, y, wide - 20, 400),
                         Qt::AlignLeft | Qt::TextWordWrap, said, &used);
        y = used.bottom() + stepGap;
    }
}

}  // namespace glimmet::app
