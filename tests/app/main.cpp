#include "app/theme/theme.h"

#include <QApplication>
#include <QSettings>
#include <QTemporaryDir>

#include <gtest/gtest.h>

// Several of it run side by side, each with settings and parts of its own.
int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    const QTemporaryDir settings;
    for (const char* place : {"XDG_CONFIG_HOME", "XDG_DATA_HOME"})
        qputenv(place, settings.path().toUtf8());
    QApplication application(argc, argv);
    QSettings::setPath(QSettings::NativeFormat, QSettings::UserScope, settings.path());
    QApplication::setOrganizationName(QStringLiteral("glimmet-tests"));
    QApplication::setApplicationName(QStringLiteral("app_test"));
    glimmet::app::loadTypefaces();
    testing::InitGoogleTest(&argc, argv);
    return RUN_ALL_TESTS();
}
