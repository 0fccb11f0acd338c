// Plots in the theme's colours and type.
#pragma once

#include <QColor>
#include <QString>

class QCustomPlot;
class QWidget;

namespace glimmet::app {

/// A plot that fills a widget, drawn with the rest of the window; what hovers over it or is pressed
/// on it goes through the widget's event filter.
[[nodiscard]] QCustomPlot* plotIn(QWidget* widget);
/// An axis from 0: what it shows, and where it ends.
struct PlotAxis {
    QString label;
    double end = 1;
};
/// Empties the plot and dresses it anew.
void begin(QCustomPlot& plot, const PlotAxis& across, const PlotAxis& up);
void plotWords(QCustomPlot& plot, double x, double y, const QString& words, Qt::Alignment alignment,
               const QColor& colour);
/// Queued, so that it is drawn once, when the layout of the window has settled.
void finish(QCustomPlot& plot);

}  // namespace glimmet::app
