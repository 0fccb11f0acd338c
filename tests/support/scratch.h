// A folder of its own for a test, gone afterwards.
#pragma once

#include <QDir>
#include <QFile>
#include <QTemporaryDir>

namespace glimmet::tests {

class Scratch {
public:
    Scratch() = default;
    /// Below a folder that everybody reaches, whatever TMPDIR says; for tests as another user.
    explicit Scratch(const char* below)
        : m_folder(QString::fromUtf8(below) + QStringLiteral("/glimmet-XXXXXX")) {}
    [[nodiscard]] QString file(const char* name) const {
        return m_folder.filePath(QString::fromUtf8(name));
    }
    [[nodiscard]] QStringList names() const {
        return QDir(m_folder.path()).entryList(QDir::Files | QDir::Hidden, QDir::Name);
    }
    static QByteArray contents(const QString& path) {
        QFile file(path);
        return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
    }
    static void write(const QString& path, const QByteArray& bytes) {
        QFile file(path);
        if (file.open(QIODevice::WriteOnly)) file.write(bytes);
    }

private:
    QTemporaryDir m_folder;
};

}  // namespace glimmet::tests
