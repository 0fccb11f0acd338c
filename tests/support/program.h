// A program run to its end: exit status, what went to which stream.
#pragma once

#include <QProcess>
#include <QString>
#include <QStringList>

#include <gtest/gtest.h>

#include <string>

namespace glimmet::tests {

struct Ended {
    int status = -1;  ///< -1: by a signal
    std::string out, err;
};
inline Ended run(const QString& program, const QStringList& arguments,
                 const QByteArray& input = {}) {
    QProcess process;
    process.start(program, arguments);
    process.write(input);
    process.closeWriteChannel();
    EXPECT_TRUE(process.waitForFinished(30000));
    return {process.exitStatus() == QProcess::NormalExit ? process.exitCode() : -1,
            process.readAllStandardOutput().toStdString(),
            process.readAllStandardError().toStdString()};
}

}  // namespace glimmet::tests
