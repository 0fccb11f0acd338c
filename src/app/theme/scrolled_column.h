// A column of rows that scrolls and fills a widget.
#pragma once

#include <QScrollArea>
#include <QVBoxLayout>

namespace glimmet::app {

/// Rows are parented to its parentWidget().
[[nodiscard]] inline QVBoxLayout* scrolledColumn(QWidget* in) {
    auto* scroll = new QScrollArea(in);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    auto* page = new QWidget(scroll);
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(12, 8, 12, 8);
    column->setSpacing(2);
    column->setAlignment(Qt::AlignTop);
    scroll->setWidget(page);
    auto* all = new QVBoxLayout(in);
    all->setContentsMargins(0, 0, 0, 0);
    all->addWidget(scroll);
    return column;
}

}  // namespace glimmet::app
