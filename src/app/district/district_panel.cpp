#include "app/district/district_panel.h"

#include "app/district/district_view.h"
#include "app/theme/scrolled_column.h"
#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/house/district/district.h"
#include "core/quantity/format.h"

#include <QAbstractButton>
#include <QPainter>

using namespace Qt::StringLiterals;

namespace glimmet::app {

StagePanel* districtPanel(QWidget* parent) { return new DistrictPanel(parent); }

/// One district: its name, a bar of its models, marks where the booster ends and where it trips.
class DistrictRow : public QAbstractButton {
public:
    explicit DistrictRow(QWidget* parent) : QAbstractButton(parent) {
        setCheckable(true);
        setFixedHeight(92);
        setCursor(Qt::PointingHandCursor);
    }
    void show(const core::district::Shown& shown, bool chosen) {
        m_shown = shown;
        id = shown.name;
        setChecked(chosen);
        setObjectName(u"district-"_s + qs(shown.name));
        setAccessibleName(DistrictPanel::tr("%1: %2 of %3 for long")
                              .arg(qs(shown.name), qs(core::formatted(shown.load.running, 3)),
                                   qs(core::formatted(core::usable(m_shown.district), 3))));
        setToolTip(accessibleName());
        update();
    }
    std::string id;

protected:
    void paintEvent(QPaintEvent*) override {
        const Theme& look = theme();
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        paintRowGround(painter, *this);
        painter.setFont(wordsFont(14, true));
        painter.setPen(look.ink);
        painter.drawText(QRect(14, 6, width() - 28, 22), Qt::AlignLeft | Qt::AlignVCenter, qs(id));
        paintMark(painter, QRectF(width() - 40, 12, 24, 11), m_shown.load.state);
        const QRectF bar(14, 34, width() - 28, 24);
        const double end =
            1.12 * std::max({m_shown.load.worst.value(), m_shown.district.rating.value(),
                             m_shown.district.trip.value(), m_shown.load.surge.value()});
        const auto x = [&](double amps) { return bar.left() + bar.width() * amps / end; };
        painter.fillRect(bar, look.paperEdge);
        double from = 0;
        painter.setFont(wordsFont(12));
        for (const core::DistrictVehicle& each : m_shown.district.vehicles) {
            const double takes = core::forLong(each).value();
            const QRectF part(x(from), bar.top(), x(from + takes) - x(from), bar.height());
            painter.fillRect(part.adjusted(0, 0, -1, 0), look.brass);
            painter.setPen(look.paper);
            painter.drawText(part.adjusted(5, 0, -3, 0), Qt::AlignLeft | Qt::AlignVCenter,
                             painter.fontMetrics().elidedText(
                                 each.name.empty() ? DistrictPanel::tr("lamps") : qs(each.name),
                                 Qt::ElideRight, qMax(0, static_cast<int>(part.width()) - 8)));
            from += takes;
        }
        // What slipping adds, hatched; what power-up takes, as a tick below.
        const QRectF more(x(from), bar.top(), x(m_shown.load.worst.value()) - x(from),
                          bar.height());
        painter.fillRect(more, QBrush(look.brass, Qt::BDiagPattern));
        const auto mark = [&](double amps, const QColor& colour, const QString& words, int line) {
            painter.setPen(QPen(colour, 2));
            painter.drawLine(QPointF(x(amps), bar.top() - 3), QPointF(x(amps), bar.bottom() + 4));
            painter.setPen(colour);
            const int wide = painter.fontMetrics().horizontalAdvance(words);
            const double left = qBound(bar.left(), x(amps) - wide / 2.0, bar.right() - wide);
            painter.drawText(QPointF(left, bar.bottom() + 14 + line * 13), words);
        };
        mark(core::usable(m_shown.district).value(), look.fine,
             DistrictPanel::tr("%1 to be used")
                 .arg(qs(core::formatted(core::usable(m_shown.district), 3))),
             0);
        mark(m_shown.district.trip.value(), look.over,
             DistrictPanel::tr("trips at %1").arg(qs(core::formatted(m_shown.district.trip, 3))),
             0);
        if (m_shown.load.surge > core::Amperes{0}) {
            mark(m_shown.load.surge.value(), look.ask,
                 DistrictPanel::tr("power-up %1").arg(qs(core::formatted(m_shown.load.surge, 3))),
                 1);
        }
    }

private:
    core::district::Shown m_shown;
};

DistrictPanel::DistrictPanel(QWidget* parent)
    : StagePanel(parent),
      m_column(scrolledColumn(this)),
      m_rows(std::make_unique<Rows<DistrictRow>>()) {
    setObjectName(u"districtPanel"_s);
    setAccessibleName(tr("Power districts"));
}

DistrictPanel::~DistrictPanel() = default;

void DistrictPanel::showWorkshop(const core::WorkshopFacts& facts, const std::string& subject) {
    m_rows->fill(
        m_column, core::district::districtsOf(facts),
        [this] {
            auto* row = new DistrictRow(m_column->parentWidget());
            connect(row, &QAbstractButton::clicked, this,
                    [this, row] { emit subjectChosen(row->id); });
            return row;
        },
        [&](DistrictRow& row, const core::district::Shown& shown) {
            row.show(shown, shown.name == subject);
        });
}

}  // namespace glimmet::app
