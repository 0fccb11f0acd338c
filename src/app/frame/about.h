// What Glimmet is, its licence and those of what it is built with.
#pragma once

class QWidget;

namespace glimmet::app {

/// Opens it beside the window; the bench stays usable.
void showAbout(QWidget* parent);

}  // namespace glimmet::app
