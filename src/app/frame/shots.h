// One picture of each main view, from the demo workshop, for the documentation.
#pragma once

#include <QString>

namespace glimmet::app {

class MainWindow;

/// Writes the PNGs into a folder (made if need be). False when one could not be written.
bool writeShots(MainWindow& window, const QString& folder);

}  // namespace glimmet::app
