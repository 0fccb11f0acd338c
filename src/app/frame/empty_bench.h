// The bench without a model: shapes to begin a job with.
#pragma once

#include "core/record/body.h"

#include <QWidget>

namespace glimmet::app {

class EmptyBench : public QWidget {
    Q_OBJECT
public:
    explicit EmptyBench(QWidget* parent = nullptr);

signals:
    void kindChosen(core::BodyKind kind);
};

}  // namespace glimmet::app
