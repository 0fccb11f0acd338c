#include <QCoreApplication>
#include <QStandardPaths>

#include <gtest/gtest.h>

// Qt SQL finds its drivers through the application object.
int main(int argc, char** argv) {
    QCoreApplication application(argc, argv);
    QStandardPaths::setTestModeEnabled(true);
    testing::InitGoogleTest(&argc, argv);
    return RUN_ALL_TESTS();
}
