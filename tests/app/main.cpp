#include "app/theme/theme.h"

#include <QApplication>
#include <QStandardPaths>

#include <gtest/gtest.h>

// gtest_discover_tests lists the tests by running the program, so all of it must come up offscreen.
int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QStandardPaths::setTestModeEnabled(true);
    QApplication application(argc, argv);
    QApplication::setOrganizationName(QStringLiteral("glimmet-tests"));
    QApplication::setApplicationName(QStringLiteral("app_test"));
    glimmet::app::loadTypefaces();
    testing::InitGoogleTest(&argc, argv);
    return RUN_ALL_TESTS();
}
