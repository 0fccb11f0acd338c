// What was probably found of a thing, to be entered with one press.
#pragma once

#include <QPoint>
#include <QString>

#include <functional>
#include <vector>

class QWidget;

namespace glimmet::app {

struct LikelyLine {
    QString words;  ///< "collects left only"
    QString jot;    ///< "axle 2 left"
};

/// A short menu of them at a place on the screen; what is chosen is handed over as its line.
void offerLikely(QWidget* over, const QPoint& where, const QString& about,
                 const std::vector<LikelyLine>& lines,
                 const std::function<void(const QString&)>& chosen);

}  // namespace glimmet::app
