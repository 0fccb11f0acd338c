#include "app/theme/plot.h"

#include "app/theme/theme.h"

#include <QHBoxLayout>
#include <qcustomplot.h>

namespace glimmet::app {
namespace {

constexpr const char* stale = "glimmetStale";

/// A plot that nobody sees is drawn when somebody does.
class DrawnWhenShown : public QObject {
public:
    using QObject::QObject;
    bool eventFilter(QObject* watched, QEvent* event) override {
        auto* plot = static_cast<QCustomPlot*>(watched);
        if (event->type() == QEvent::Show && plot->property(stale).toBool()) {
            plot->setProperty(stale, false);
            plot->replot(QCustomPlot::rpQueuedReplot);
        }
        return false;
    }
};

}  // namespace

QCustomPlot* plotIn(QWidget* widget) {
    auto* plot = new QCustomPlot(widget);
    auto* row = new QHBoxLayout(widget);
    row->setContentsMargins(0, 0, 0, 0);
    row->addWidget(plot);
    plot->installEventFilter(new DrawnWhenShown(plot));
    plot->installEventFilter(widget);  // last: while it is made it cannot take events yet
    plot->setMouseTracking(true);
    plot->setMinimumSize(240, 140);  // below that there is nothing to draw into
    // Shown with the rest of the window: at once it would have that painted twice.
    plot->setPlottingHint(QCP::phImmediateRefresh, false);
    return plot;
}

void begin(QCustomPlot& plot, const PlotAxis& across, const PlotAxis& up) {
    const Theme& look = theme();
    plot.clearPlottables();
    plot.clearItems();
    plot.setBackground(look.paper);
    for (const auto& [axis, shown] : {std::pair{plot.xAxis, across}, std::pair{plot.yAxis, up}}) {
        axis->setLabelColor(look.ink);
        axis->setTickLabelColor(look.ink);
        axis->setTickLabelFont(figuresFont(13));
        axis->setLabelFont(wordsFont(13));
        axis->setBasePen(QPen(look.inkSoft));
        axis->setTickPen(QPen(look.inkSoft));
        axis->setSubTickPen(Qt::NoPen);
        axis->grid()->setPen(QPen(look.paperEdge, 0, Qt::DotLine));
        axis->grid()->setZeroLinePen(QPen(look.inkSoft));
        axis->setLabel(shown.label);
        axis->setRange(0, shown.end);
    }
}

void plotWords(QCustomPlot& plot, double x, double y, const QString& words, Qt::Alignment alignment,
               const QColor& colour) {
    auto* item = new QCPItemText(&plot);
    item->position->setCoords(x, y);
    item->setPositionAlignment(alignment);
    item->setText(words);
    item->setFont(wordsFont(13));
    item->setColor(colour);
    item->setPadding(QMargins(6, 2, 6, 2));
}

void finish(QCustomPlot& plot) {
    plot.setProperty(stale, !plot.isVisible());
    if (plot.isVisible()) plot.replot(QCustomPlot::rpQueuedReplot);
}

}  // namespace glimmet::app
