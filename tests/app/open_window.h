// A window on a workshop of three jobs, in a file of its own, driven by keys and mouse.
#pragma once

#include "app/frame/main_window.h"
#include "store/catalogue.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <QApplication>
#include <QLabel>
#include <QLineEdit>
#include <QSettings>
#include <QTest>

#include <gtest/gtest.h>

namespace glimmet::tests {

class OpenWindow {
public:
    explicit OpenWindow(bool withDemo = true) {
        QSettings().clear();
        if (withDemo) {
            const auto workshop = store::Workshop::open(path(), store::Access::ReadWrite);
            EXPECT_TRUE(workshop.has_value());
            EXPECT_TRUE((*workshop)->add(keptJobs(), core::text("Demo")).has_value());
        }
        reopen();
    }
    void reopen() {
        m_window.reset();
        // Read once: under the sanitizers that takes as long as a test.
        static const core::Catalogue shipped =
            store::loadedCatalogue(QStringLiteral("/nonexistent")).catalogue;
        m_window = std::make_unique<app::MainWindow>(shipped);
        m_window->resize(1280, 800);
        m_window->openWorkshop(path());
        m_window->show();
        if (bench().hasJob()) bench().goTo("decoder");
        settle();
    }
    static void settle() { QTest::qWait(20); }
    [[nodiscard]] QString path() const { return m_scratch.file("demo.glimmet"); }
    [[nodiscard]] QString file(const char* name) const { return m_scratch.file(name); }
    [[nodiscard]] app::MainWindow& window() { return *m_window; }
    [[nodiscard]] app::Bench& bench() { return m_window->bench(); }

    template <class Widget>
    [[nodiscard]] Widget* find(const QString& name) {
        auto* widget = m_window->findChild<Widget*>(name);
        EXPECT_NE(widget, nullptr) << name.toStdString();
        return widget;
    }
    /// The words of a label, "" when it is not there or hidden.
    [[nodiscard]] std::string words(const QString& name) {
        const auto* label = m_window->findChild<QLabel*>(name);
        if (!label || !label->isVisible()) return "";
        return label->text().replace(QChar::Nbsp, QChar::Space).toStdString();
    }
    [[nodiscard]] std::string sentence() { return words(QStringLiteral("sentence")); }
    void jot(const QString& line) {
        auto* field = find<QLineEdit>(QStringLiteral("jot"));
        field->setFocus();
        QTest::keyClicks(field, line);
        QTest::keyClick(field, Qt::Key_Return);
        settle();
    }
    void press(Qt::Key key, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
        QWidget* focus = QApplication::focusWidget();
        QTest::keyClick(focus ? focus : m_window.get(), key, modifiers);
        settle();
    }

private:
    Scratch m_scratch;
    std::unique_ptr<app::MainWindow> m_window;
};

}  // namespace glimmet::tests
