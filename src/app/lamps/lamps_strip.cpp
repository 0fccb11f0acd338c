#include "app/lamps/lamps_strip.h"

#include "app/lamps/schematic.h"
#include "app/picture/scene.h"
#include "app/state_mark.h"
#include "app/theme.h"
#include "app/words.h"
#include "core/job/checks.h"

#include <QAbstractButton>
#include <QHBoxLayout>
#include <QPainter>
#include <QScrollArea>
#include <QScrollBar>
#include <QVBoxLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

/// An output: a wire end in its colour, what it is called, what hangs on it and how that stands.
class OutputButton : public QAbstractButton {
public:
    OutputButton(const QString& title, const QString& below, const QColor& wire,
                 std::optional<core::State> state, QWidget* parent)
        : QAbstractButton(parent), m_title(title), m_below(below), m_wire(wire), m_state(state) {
        setCheckable(true);
        setMinimumHeight(46);
        setCursor(Qt::PointingHandCursor);
        setAccessibleName(state ? LampsStrip::tr("%1: %2, %3").arg(title, below, stateWord(*state))
                                : LampsStrip::tr("%1: %2").arg(title, below));
        setToolTip(accessibleName());
    }

protected:
    void paintEvent(QPaintEvent*) override {
        const Theme& look = theme();
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        if (isChecked()) painter.fillRect(rect(), look.paperRaised);
        if (underMouse() || hasFocus()) {
            painter.setPen(QPen(look.brass, hasFocus() ? 2 : 1));
            painter.drawRect(rect().adjusted(1, 1, -1, -1));
        }
        if (m_wire.isValid()) {
            QPainterPath wire(QPointF(10, 16));
            wire.lineTo(36, 16);
            paintWire(painter, wire, m_wire, 5);
            painter.setPen(QPen(QColor(0xB8, 0x6B, 0x3A), 2.4));  // stripped copper
            painter.drawLine(QPointF(39, 16), QPointF(46, 16));
        }
        const int left = 54;
        painter.setFont(wordsFont(14, isChecked()));
        painter.setPen(look.ink);
        painter.drawText(
            QRect(left, 4, width() - left - 4, 22), Qt::AlignVCenter,
            QFontMetrics(painter.font()).elidedText(m_title, Qt::ElideRight, width() - left - 8));
        painter.setFont(wordsFont(13));
        painter.setPen(look.inkSoft);
        int x = left;
        if (m_state) {
            paintMark(painter, QRectF(left, 29, 24, 11), *m_state);
            x += 30;
        }
        painter.drawText(
            QRect(x, 25, width() - x - 4, 18), Qt::AlignVCenter,
            QFontMetrics(painter.font()).elidedText(m_below, Qt::ElideRight, width() - x - 6));
    }

private:
    QString m_title, m_below;
    QColor m_wire;
    std::optional<core::State> m_state;
};

QString lampsOf(const core::Circuit& circuit) {
    int lamps = 0;
    for (const core::LampRow& row : circuit.rows) lamps += static_cast<int>(row.lamps.size());
    return lamps == 1 ? qs(circuit.name)
                      : LampsStrip::tr("%1, %2 lamps").arg(qs(circuit.name)).arg(lamps);
}

}  // namespace

LampsStrip::LampsStrip(QWidget* parent)
    : QWidget(parent),
      m_outputs(new QScrollArea(this)),
      m_canvas(new QScrollArea(this)),
      m_schematic(new Schematic) {
    setObjectName(u"lampsStrip"_s);
    m_outputs->setWidgetResizable(true);
    m_outputs->setFixedWidth(230);
    m_outputs->setFrameShape(QFrame::NoFrame);
    m_outputs->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    m_canvas->setWidgetResizable(true);
    m_canvas->setFrameShape(QFrame::NoFrame);
    m_canvas->setWidget(m_schematic);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(m_outputs);
    row->addWidget(m_canvas, 1);
    connect(m_schematic, &Schematic::jotOffered, this, &LampsStrip::jotOffered);
}

void LampsStrip::show(const core::Job& job, const std::vector<core::Finding>& findings,
                      const std::string& subject) {
    const int scrolled = m_outputs->verticalScrollBar()->value();
    auto* page = new QWidget;
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(6, 6, 6, 6);
    column->setSpacing(2);
    const auto add = [&](const QString& title, const core::Circuit* circuit, const QColor& wire,
                         const QString& freeJot) {
        std::optional<core::State> state;
        if (circuit) {
            const core::Finding* lead = core::leading(findings, core::Stage::Lamps, circuit->name);
            if (lead) state = lead->state;
        }
        auto* button = new OutputButton(title, circuit ? lampsOf(*circuit) : tr("free: add a lamp"),
                                        wire, state, page);
        button->setObjectName(u"output-"_s + (circuit ? qs(circuit->name) : freeJot));
        button->setChecked(circuit && circuit->name == subject);
        column->addWidget(button);
        const std::string name = circuit ? circuit->name : std::string();
        // Queued: being chosen replaces this page.
        connect(
            button, &QAbstractButton::clicked, this,
            [this, name, freeJot] {
                if (name.empty())
                    emit jotOffered(freeJot);
                else
                    emit subjectChosen(name);
            },
            Qt::QueuedConnection);
    };
    std::vector<const core::Circuit*> placed;
    for (const core::DecoderOutput& output :
         job.decoder ? job.decoder->outputs : std::vector<core::DecoderOutput>{}) {
        const core::Circuit* there = nullptr;
        for (const core::Circuit& circuit : job.circuits) {
            if (circuit.output == output.name) there = &circuit;
        }
        if (there) placed.push_back(there);
        const QString place = output.name == "front"  ? u"front"_s
                              : output.name == "rear" ? u"rear"_s
                                                      : tr("cab");
        const bool directional = output.name == "front" || output.name == "rear";
        add(directional ? tr("%1, %2").arg(qs(output.name), qs(output.wire))
                        : tr("output %1, %2").arg(qs(output.name), qs(output.wire)),
            there, wireColour(qs(output.wire)),
            u"lamp %1 white on %2"_s.arg(place, qs(output.name)));
    }
    for (const core::Circuit& circuit : job.circuits) {
        if (std::find(placed.begin(), placed.end(), &circuit) != placed.end()) continue;
        add(circuit.output == core::supplyOutput ? tr("on the supply")
                                                 : tr("output %1").arg(qs(circuit.output)),
            &circuit, wireColour(u"black"_s), {});
    }
    if (!job.decoder) add(tr("on the supply"), nullptr, wireColour(u"black"_s), u"lamp "_s);
    column->addStretch();
    m_outputs->setWidget(page);
    m_outputs->verticalScrollBar()->setValue(scrolled);

    const core::Circuit* circuit = core::circuitNamed(job, subject);
    if (!circuit && !job.circuits.empty()) circuit = &job.circuits.front();
    m_schematic->show(job, circuit,
                      tr("No lamp yet. Press an output on the left, or a place for a lamp in the "
                         "picture, or type  lamp front white  into the jot line."));
}

}  // namespace glimmet::app
