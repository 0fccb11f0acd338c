// The one window: shelf, line of work, picture, working strip, reckoning, jot line.
#pragma once

#include "app/bench.h"
#include "app/shelf/shelf_scan.h"

#include <QMainWindow>

#include <memory>

class QAction;
class QFrame;
class QLabel;
class QMenu;
class QPushButton;
class QSplitter;
class QStackedWidget;

namespace glimmet::app {

class JotLine;
class JotList;
class LampsStrip;
class LineOfWork;
class MotorPlot;
class PictureView;
class ReckoningPanel;
class ShelfView;

class MainWindow : public QMainWindow {
    Q_OBJECT
public:
    explicit MainWindow(core::Catalogue catalogue);
    ~MainWindow() override;

    /// Opens a workshop file and shows its first job. What stands in the way is said in the
    /// window, with what can be done about it.
    /// A large file is looked through in the background first.
    void openWorkshop(const QString& path, store::Access access = store::Access::ReadWrite);
    void setNight(bool night);
    [[nodiscard]] Bench& bench() { return m_bench; }
    [[nodiscard]] PictureView* picture() { return m_picture; }
    void say(const QString& sentence);

protected:
    void closeEvent(QCloseEvent* event) override;

private:
    void build();
    void buildMenus();
    void showAll();
    void showAttention();
    void openExamined(const QString& path, store::Access access, store::Soundness soundness);
    void openingFailed(const core::Error& error, const QString& path, store::Access access);
    void salvage(const QString& path);
    void reloadShelf();
    void search(const QString& words);
    void newWorkshop();
    void saveCopy();
    void chooseWorkshop();
    void importJob();
    void exportJob();
    void showJotList();
    void remember(const QString& path);
    void fillRecent();
    /// A sentence in the window with at most one thing to do about it.
    void notice(const QString& sentence, const QString& actionName = {},
                std::function<void()> action = {});

    Bench m_bench;
    ShelfScan m_scan;
    ShelfView* m_shelf = nullptr;
    LineOfWork* m_line = nullptr;
    PictureView* m_picture = nullptr;
    QStackedWidget* m_strip = nullptr;
    MotorPlot* m_plot = nullptr;
    LampsStrip* m_lamps = nullptr;
    ReckoningPanel* m_reckoning = nullptr;
    JotLine* m_jot = nullptr;
    JotList* m_jotList = nullptr;
    QFrame* m_notice = nullptr;
    QLabel* m_noticeWords = nullptr;
    QPushButton* m_noticeAction = nullptr;
    std::function<void()> m_noticeDo;
    QStackedWidget* m_pictureStack = nullptr;
    QSplitter* m_splitter = nullptr;
    QMenu* m_recent = nullptr;
    QAction* m_undo = nullptr;
    QAction* m_redo = nullptr;
    QAction* m_needWorkshop = nullptr;
    QAction* m_lightsOut = nullptr;
    QAction* m_nightAction = nullptr;
    QList<QAction*> m_writing;  ///< actions that need a workshop open for writing
    QList<QAction*> m_needJob;
};

}  // namespace glimmet::app
