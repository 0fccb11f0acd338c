// The one window: shelf, line of work, picture, panel, reckoning, jot line.
#pragma once

#include "app/frame/bench.h"
#include "app/frame/shelf/shelf_scan.h"

#include <QMainWindow>

#include <map>
#include <memory>
#include <string_view>

class QAction;
class QMenu;
class QSplitter;
class QStackedWidget;

namespace glimmet::app {

class BodyChooser;
class HoldButton;
class JotLine;
class JotList;
class LineOfWork;
class Notices;
class Photos;
class PictureView;
class ReckoningPanel;
class ShelfView;
class StagePanel;
class WorkshopFiles;

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
    /// A meter to be used instead of the workshop's: "HOST:PORT".
    void useMeter(const QString& address);

protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void closeEvent(QCloseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void build();
    void makePanels(QWidget* bench);
    void connectParts();
    void buildMenus();
    void buildWorkshopMenu();
    void buildOtherMenus();
    template <class Slot>
    QAction* add(QMenu* menu, const QString& name, const QKeySequence& keys, Slot slot);
    void showAll();
    void showAttention();
    void showPicture();
    /// The id of what the window is about: chosen, or what is spoken of.
    [[nodiscard]] std::string inQuestion() const;
    void reloadShelf();
    void scan();  ///< marks of all jobs anew
    void search(const QString& words);
    void begin(const std::string& body);
    void chooseBody(bool choosing);
    void step(int by);  ///< along the line of work
    void showJotList();

    Bench m_bench;
    ShelfScan m_scan;
    Photos* m_photos = nullptr;
    ShelfView* m_shelf = nullptr;
    LineOfWork* m_line = nullptr;
    PictureView* m_picture = nullptr;
    QString m_held;  ///< the line of the option that is held to be seen; empty: none
    QStackedWidget* m_panel = nullptr;
    std::map<std::string_view, StagePanel*> m_panels;  ///< by stage
    ReckoningPanel* m_reckoning = nullptr;
    JotLine* m_jot = nullptr;
    HoldButton* m_hold = nullptr;
    JotList* m_jotList = nullptr;
    Notices* m_notices = nullptr;
    WorkshopFiles* m_files = nullptr;
    BodyChooser* m_bodies = nullptr;
    QStackedWidget* m_pictureStack = nullptr;
    QSplitter* m_splitter = nullptr;
    QAction* m_undo = nullptr;
    QAction* m_redo = nullptr;
    QAction* m_needWorkshop = nullptr;
    QAction* m_newJob = nullptr;
    QAction* m_houseRules = nullptr;
    QAction* m_lightsOut = nullptr;
    QAction* m_nightAction = nullptr;
    QList<QAction*> m_stages;   ///< one a stage, in their order
    QList<QAction*> m_writing;  ///< actions that need a workshop open for writing
    QList<QAction*> m_needJob;
};

}  // namespace glimmet::app
