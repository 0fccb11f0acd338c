#include "app/theme/theme.h"

#include <QApplication>
#include <QSettings>
#include <QStandardPaths>
#include <QTemporaryDir>

#include <gtest/gtest.h>

// Several of it run side by side, each with settings of its own.
int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QStandardPaths::setTestModeEnabled(true);
    QApplication application(argc, argv);
    const QTemporaryDir settings;
    QSettings::setPath(QSettings::NativeFormat, QSettings::UserScope, settings.path());
    QApplication::setOrganizationName(QStringLiteral("glimmet-tests"));
    QApplication::setApplicationName(QStringLiteral("app_test"));
    glimmet::app::loadTypefaces();
    testing::InitGoogleTest(&argc, argv);
    return RUN_ALL_TESTS();
}
