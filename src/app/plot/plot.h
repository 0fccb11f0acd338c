// A plot in the theme's colours and type: lines, curves, marks and words over two axes, tips and
// jot lines where it is pointed at. The only one who knows which library draws it is plot.cpp.
//   begin({tr("time (s)"), 10}, {tr("bus (V)"), 15});
//   curve(points, QPen(theme().ink, 2));
//   finish();
#pragma once

#include <QColor>
#include <QList>
#include <QPen>
#include <QPointF>
#include <QString>
#include <QWidget>

#include <functional>
#include <utility>
#include <vector>

class QCustomPlot;
class QCPItemText;

namespace glimmet::app {

/// What an axis shows, and from where to where.
struct PlotAxis {
    QString label{};
    double end = 1;
    double start = 0;
};

/// How a curve is drawn besides its pen.
struct PlotCurve {
    QBrush under{};       ///< between it and 0
    bool beside = false;  ///< on the axis that stands on the right
};

class Plot : public QWidget {
    Q_OBJECT
public:
    enum class Shape { Circle, Square, Diamond, Up, Down };

    explicit Plot(QWidget* parent = nullptr);

    /// Empties it and dresses it anew.
    void begin(const PlotAxis& across, const PlotAxis& up);
    /// An axis of its own for curves that are `beside`.
    void axisBeside(const PlotAxis& up);
    /// Words in place of an axis's numbers.
    void ticksAcross(const std::vector<std::pair<double, QString>>& ticks);
    void ticksUp(const std::vector<std::pair<double, QString>>& ticks);

    void line(QPointF from, QPointF to, const QPen& pen);
    /// A line with a bar at each end: from where to where a value may be.
    void spread(QPointF from, QPointF to, const QPen& pen);
    void curve(const QList<QPointF>& points, const QPen& pen, const PlotCurve& how = {});
    /// What lies between two curves.
    void between(const QList<QPointF>& low, const QList<QPointF>& high, const QColor& colour);
    void block(QPointF corner, QPointF opposite, const QBrush& brush);
    /// All points of one kind. `filled`: else they show the paper.
    void marks(const QList<QPointF>& points, Shape shape, const QColor& colour,
               const QBrush& filled, double size = 11);
    void words(QPointF at, const QString& words, Qt::Alignment alignment, const QColor& colour);
    /// Figures on a ground of their own.
    void figures(QPointF at, const QString& words, Qt::Alignment alignment);
    /// Moves the upright line, and the words that keep to it, `high` up the axis; nothing else is
    /// drawn anew.
    void cursor(double at, double high, const QString& words, double width);

    /// What a point says when it is pointed at, and the start of the jot line it offers.
    void tip(QPointF at, const QString& words, const QString& jot = {});
    /// The same from one height to another, where no point is.
    void tipBetween(double low, double high, const QString& words, const QString& jot = {});
    /// The same everywhere else.
    void tipElsewhere(std::function<QString(QPointF at)> words);
    void jotElsewhere(const QString& jot);
    /// Draws it, once the layout of the window has settled.
    void finish();

    [[nodiscard]] QPointF pixelOf(QPointF at) const;
    [[nodiscard]] QPointF valueAt(QPointF pixel) const;
    /// Within its axes, in pixels of surface().
    [[nodiscard]] QRect inside() const;
    /// What takes the mouse: for views that filter its events.
    [[nodiscard]] QWidget* surface() const;

signals:
    void jotOffered(const QString& start);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    struct Tip {
        QPointF at;
        double low, high;  ///< where it is a band
        bool band;
        QString words, jot;
    };
    [[nodiscard]] const Tip* tipAt(const QPoint& where) const;
    void placeCursorWords();
    QCustomPlot* m_plot;
    std::vector<Tip> m_tips;
    std::function<QString(QPointF)> m_elsewhere;
    QString m_jotElsewhere;
    QCPItemText* m_cursorWords = nullptr;
    QPointF m_cursor;
};

}  // namespace glimmet::app
