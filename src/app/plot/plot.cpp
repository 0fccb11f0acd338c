#include "app/plot/plot.h"

#include "app/theme/theme.h"

#include <QHBoxLayout>
#include <QHelpEvent>
#include <QMouseEvent>
#include <QToolTip>
#include <qcustomplot.h>

#include <algorithm>
#include <cmath>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr const char* stale = "glimmetStale";
constexpr double near = 12;  // pixels
const QLatin1String cursorLayer("cursor");

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

void dress(QCPAxis& axis, const PlotAxis& shown, const QColor& ink) {
    const Theme& look = theme();
    axis.setLabelColor(ink);
    axis.setTickLabelColor(ink);
    axis.setTickLabelFont(figuresFont(13));
    axis.setLabelFont(wordsFont(13));
    axis.setBasePen(QPen(look.inkSoft));
    axis.setTickPen(QPen(look.inkSoft));
    axis.setSubTickPen(Qt::NoPen);
    axis.setLabel(shown.label);
    axis.setRange(shown.start, shown.end);
}

void put(QCPGraph& graph, const QList<QPointF>& points) {
    QList<double> across, up;
    across.reserve(points.size());
    up.reserve(points.size());
    for (const QPointF& each : points) {
        across.append(each.x());
        up.append(each.y());
    }
    graph.setData(across, up);
}

void setTicks(QCPAxis& axis, const std::vector<std::pair<double, QString>>& ticks) {
    const auto shown = QSharedPointer<QCPAxisTickerText>::create();
    for (const auto& [at, words] : ticks) shown->addTick(at, words);
    axis.setTicker(shown);
}

QCPScatterStyle::ScatterShape shapeOf(Plot::Shape shape) {
    switch (shape) {
        case Plot::Shape::Square:
            return QCPScatterStyle::ssSquare;
        case Plot::Shape::Diamond:
            return QCPScatterStyle::ssDiamond;
        case Plot::Shape::Up:
            return QCPScatterStyle::ssTriangle;
        case Plot::Shape::Down:
            return QCPScatterStyle::ssTriangleInverted;
        case Plot::Shape::Circle:
            break;
    }
    return QCPScatterStyle::ssCircle;
}

QCPItemText* textOn(QCustomPlot* plot, const QString& words, Qt::Alignment alignment,
                    const QFont& font, const QColor& colour) {
    auto* item = new QCPItemText(plot);
    item->setPositionAlignment(alignment);
    item->setText(words);
    item->setFont(font);
    item->setColor(colour);
    item->setPadding(QMargins(6, 2, 6, 2));
    return item;
}

}  // namespace

Plot::Plot(QWidget* parent) : QWidget(parent), m_plot(new QCustomPlot(this)) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->addWidget(m_plot);
    m_plot->installEventFilter(new DrawnWhenShown(m_plot));
    m_plot->installEventFilter(this);
    m_plot->setMouseTracking(true);
    m_plot->setMinimumSize(240, 140);  // below that there is nothing to draw into
    // Shown with the rest of the window: at once it would have that painted twice.
    m_plot->setPlottingHint(QCP::phImmediateRefresh, false);
    m_plot->setAutoAddPlottableToLegend(false);  // a legend that nobody sees is laid out too
    m_plot->addLayer(cursorLayer, m_plot->layer(u"main"_s), QCustomPlot::limAbove);
    m_plot->layer(cursorLayer)->setMode(QCPLayer::lmBuffered);
    // How wide it is is known once it is laid out.
    connect(m_plot, &QCustomPlot::afterLayout, this, &Plot::placeCursorWords);
}

void Plot::begin(const PlotAxis& across, const PlotAxis& up) {
    const Theme& look = theme();
    m_plot->clearPlottables();
    m_plot->clearItems();
    m_cursorWords = nullptr;
    m_tips.clear();
    m_elsewhere = {};
    m_jotElsewhere.clear();
    m_plot->setBackground(look.paper);
    m_plot->yAxis2->setVisible(false);
    for (const auto& [axis, shown] :
         {std::pair{m_plot->xAxis, across}, std::pair{m_plot->yAxis, up}}) {
        dress(*axis, shown, look.ink);
        axis->setTicker(QSharedPointer<QCPAxisTicker>::create());
        axis->grid()->setPen(QPen(look.paperEdge, 0, Qt::DotLine));
        axis->grid()->setZeroLinePen(shown.start < 0 ? QPen(Qt::NoPen) : QPen(look.inkSoft));
    }
}

void Plot::axisBeside(const PlotAxis& up) {
    m_plot->yAxis2->setVisible(true);
    dress(*m_plot->yAxis2, up, theme().inkSoft);
}

void Plot::ticksAcross(const std::vector<std::pair<double, QString>>& ticks) {
    setTicks(*m_plot->xAxis, ticks);
}

void Plot::ticksUp(const std::vector<std::pair<double, QString>>& ticks) {
    setTicks(*m_plot->yAxis, ticks);
}

void Plot::line(QPointF from, QPointF to, const QPen& pen) {
    auto* item = new QCPItemLine(m_plot);
    item->start->setCoords(from);
    item->end->setCoords(to);
    item->setPen(pen);
}

void Plot::spread(QPointF from, QPointF to, const QPen& pen) {
    auto* item = new QCPItemLine(m_plot);
    item->start->setCoords(from);
    item->end->setCoords(to);
    item->setHead(QCPLineEnding(QCPLineEnding::esBar, 9));
    item->setTail(QCPLineEnding(QCPLineEnding::esBar, 9));
    item->setPen(pen);
}

void Plot::curve(const QList<QPointF>& points, const QPen& pen, const PlotCurve& how) {
    auto* graph = m_plot->addGraph(m_plot->xAxis, how.beside ? m_plot->yAxis2 : m_plot->yAxis);
    graph->setPen(pen);
    graph->setBrush(how.under);
    put(*graph, points);
}

void Plot::between(const QList<QPointF>& low, const QList<QPointF>& high, const QColor& colour) {
    auto* above = m_plot->addGraph();
    auto* below = m_plot->addGraph();
    put(*above, high);
    put(*below, low);
    for (QCPGraph* edge : {above, below}) edge->setPen(Qt::NoPen);
    above->setBrush(colour);
    above->setChannelFillGraph(below);
}

void Plot::block(QPointF corner, QPointF opposite, const QBrush& brush) {
    auto* rect = new QCPItemRect(m_plot);
    rect->topLeft->setCoords(corner);
    rect->bottomRight->setCoords(opposite);
    rect->setBrush(brush);
    rect->setPen(Qt::NoPen);
}

void Plot::marks(const QList<QPointF>& points, Shape shape, const QColor& colour,
                 const QBrush& filled, double size) {
    auto* graph = m_plot->addGraph();
    graph->setLineStyle(QCPGraph::lsNone);
    graph->setScatterStyle(QCPScatterStyle(shapeOf(shape), QPen(colour, 2), filled, size));
    put(*graph, points);
}

void Plot::words(QPointF at, const QString& words, Qt::Alignment alignment, const QColor& colour) {
    textOn(m_plot, words, alignment, wordsFont(13), colour)->position->setCoords(at);
}

void Plot::figures(QPointF at, const QString& words, Qt::Alignment alignment) {
    auto* item = textOn(m_plot, words, alignment, figuresFont(13, true), theme().ink);
    item->position->setCoords(at);
    item->setBrush(theme().paper);
    item->setPadding(QMargins(3, 0, 3, 0));
}

void Plot::cursor(double at, double high, const QString& words, double width) {
    const Theme& look = theme();
    QCPLayer* layer = m_plot->layer(cursorLayer);
    for (QCPLayerable* item : QList<QCPLayerable*>(layer->children())) {
        if (auto* one = dynamic_cast<QCPAbstractItem*>(item)) m_plot->removeItem(one);
    }
    auto* line = new QCPItemStraightLine(m_plot);
    line->point1->setCoords(at, 0);
    line->point2->setCoords(at, 1);
    line->setPen(QPen(look.ink, width));
    line->setLayer(layer);
    m_cursorWords =
        textOn(m_plot, words, Qt::AlignHCenter | Qt::AlignBottom, figuresFont(13, true), look.ink);
    QColor ground = look.paper;
    ground.setAlphaF(0.85F);
    m_cursorWords->setBrush(ground);
    m_cursorWords->setLayer(layer);
    m_cursor = {at, high};
    placeCursorWords();
    layer->replot();
}

void Plot::placeCursorWords() {
    if (!m_cursorWords) return;
    const QCPRange range = m_plot->xAxis->range();
    const QFontMetrics letters(m_cursorWords->font());
    const double half = (letters.horizontalAdvance(m_cursorWords->text()) + 16.0) / 2 *
                        range.size() / qMax(m_plot->axisRect()->width(), 1);
    const double low = range.lower + half, high = range.upper - half;
    m_cursorWords->position->setCoords(
        low < high ? std::clamp(m_cursor.x(), low, high) : (low + high) / 2, m_cursor.y());
}

void Plot::tip(QPointF at, const QString& words, const QString& jot) {
    m_tips.push_back({at, 0, 0, false, words, jot});
}

void Plot::tipBetween(double low, double high, const QString& words, const QString& jot) {
    m_tips.push_back({{}, low, high, true, words, jot});
}

void Plot::tipElsewhere(std::function<QString(QPointF)> words) { m_elsewhere = std::move(words); }

void Plot::jotElsewhere(const QString& jot) { m_jotElsewhere = jot; }

const Plot::Tip* Plot::tipAt(const QPoint& where) const {
    const Tip* band = nullptr;
    const double up = valueAt(where).y();
    for (auto one = m_tips.rbegin(); one != m_tips.rend(); ++one) {
        if (one->band) {
            if (inside().contains(where) && up >= one->low && up < one->high) band = &*one;
            continue;
        }
        const QPointF away = pixelOf(one->at) - where;
        if (std::hypot(away.x(), away.y()) < near) return &*one;
    }
    return band;
}

void Plot::finish() {
    m_plot->setProperty(stale, !m_plot->isVisible());
    if (m_plot->isVisible()) m_plot->replot(QCustomPlot::rpQueuedReplot);
}

QPointF Plot::pixelOf(QPointF at) const {
    return {m_plot->xAxis->coordToPixel(at.x()), m_plot->yAxis->coordToPixel(at.y())};
}

QPointF Plot::valueAt(QPointF pixel) const {
    return {m_plot->xAxis->pixelToCoord(pixel.x()), m_plot->yAxis->pixelToCoord(pixel.y())};
}

QRect Plot::inside() const { return m_plot->axisRect()->rect(); }

QWidget* Plot::surface() const { return m_plot; }

bool Plot::eventFilter(QObject* watched, QEvent* event) {
    // While the plot is made it cannot take events yet.
    if (!m_plot || watched != m_plot) return QWidget::eventFilter(watched, event);
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const Tip* there = tipAt(help->pos());
        QToolTip::showText(help->globalPos(),
                           there         ? there->words
                           : m_elsewhere ? m_elsewhere(valueAt(help->pos()))
                                         : QString(),
                           m_plot);
        return true;
    }
    if (event->type() == QEvent::MouseButtonRelease) {
        const Tip* there = tipAt(static_cast<QMouseEvent*>(event)->pos());
        const QString& jot = there ? there->jot : m_jotElsewhere;
        if (!jot.isEmpty()) emit jotOffered(jot);
    }
    return QWidget::eventFilter(watched, event);
}

}  // namespace glimmet::app
