#include "app/frame/main_window.h"

#include "app/frame/about.h"
#include "app/frame/body_chooser.h"
#include "app/frame/hold_button.h"
#include "app/frame/jot_line.h"
#include "app/frame/jot_list.h"
#include "app/frame/line_of_work.h"
#include "app/frame/notices.h"
#include "app/frame/photos.h"
#include "app/frame/reckoning_panel.h"
#include "app/frame/shelf/shelf_view.h"
#include "app/frame/workshop_files.h"
#include "app/picture/picture_view.h"
#include "app/stage_panel.h"
#include "app/stage_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/work/record_lines.h"
#include "core/work/sheets.h"
#include "store/documents.h"

#include <QAction>
#include <QApplication>
#include <QCloseEvent>
#include <QDragEnterEvent>
#include <QFrame>
#include <QHBoxLayout>
#include <QMenuBar>
#include <QMimeData>
#include <QSettings>
#include <QSplitter>
#include <QStackedWidget>
#include <QTimer>
#include <QUndoStack>
#include <QVBoxLayout>

#include <unordered_set>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr int followMilliseconds = 700;  // how far a read-only window is behind the one that writes

}  // namespace

MainWindow::MainWindow(core::Catalogue catalogue) : m_bench(std::move(catalogue)) {
    setWindowTitle(tr("Glimmet"));
    setWindowIcon(QIcon(u":/icons/glimmet.svg"_s));
    resize(1280, 800);
    setAcceptDrops(true);
    QSettings settings;
    const bool night = settings.value(u"window/night"_s, false).toBool();
    useTheme(night);  // before there are widgets to be dressed
    build();
    buildMenus();
    connect(&m_bench, &Bench::jobChanged, this, &MainWindow::showAll);
    connect(&m_bench, &Bench::attentionChanged, this, &MainWindow::showAttention);
    connect(&m_bench, &Bench::optionsTried, this, &MainWindow::showAttention);
    connect(&m_bench, &Bench::workshopChanged, this, &MainWindow::reloadShelf);
    connect(&m_bench, &Bench::shelfChanged, this, &MainWindow::reloadShelf);
    connect(&m_bench, &Bench::houseChanged, this, &MainWindow::scan);
    connect(&m_bench, &Bench::failed, this,
            [this](const QString& sentence) { m_notices->say(sentence); });
    connect(&m_scan, &ShelfScan::found, m_shelf->model(), &ShelfModel::setStandings);
    connect(&m_scan, &ShelfScan::progressed, m_shelf, &ShelfView::showProgress);
    connect(m_shelf, &ShelfView::scanCancelled, &m_scan, &ShelfScan::cancel);

    auto* following = new QTimer(this);
    connect(following, &QTimer::timeout, &m_bench, &Bench::follow);
    following->start(followMilliseconds);

    restoreGeometry(settings.value(u"window/geometry"_s).toByteArray());
    m_splitter->restoreState(settings.value(u"window/splitter"_s).toByteArray());
    m_nightAction->setChecked(night);
    showAll();
    m_jot->focusLine();  // the hand that holds the meter types first
}

MainWindow::~MainWindow() = default;

void MainWindow::build() {
    auto* bench = new QWidget(this);
    bench->setObjectName(u"bench"_s);
    setCentralWidget(bench);
    m_shelf = new ShelfView(bench);
    m_shelf->model()->setDrawings(m_bench.catalogue().bodies);
    m_line = new LineOfWork(bench);
    m_picture = new PictureView(bench);
    m_reckoning = new ReckoningPanel(bench);
    m_jot = new JotLine([this](const QString& line) { return m_bench.applyLine(line); },
                        [this](const QString& line) { return m_bench.take(line); },
                        [this](const QString& line) { return m_bench.completions(line); }, bench);

    m_hold = new HoldButton(*m_jot);
    m_jot->addBeside(m_hold);

    m_jotList = new JotList(bench);
    m_jotList->hide();
    connect(m_jotList, &JotList::exampleChosen, m_jot, &JotLine::offer);
    connect(m_jotList, &JotList::closed, m_jot, &JotLine::focusLine);
    connect(m_jot, &JotLine::begun, m_jotList, &QWidget::hide);

    m_notices = new Notices(bench);
    connect(m_hold, &HoldButton::failed, this, &MainWindow::say);
    m_files = new WorkshopFiles(m_bench, *m_notices, this);
    connect(m_files, &WorkshopFiles::closing, &m_scan, &ShelfScan::cancel);

    m_bodies = new BodyChooser(m_bench.catalogue().bodies, bench);
    connect(m_files, &WorkshopFiles::bodyKept, m_bodies, &BodyChooser::add);
    connect(m_bodies, &BodyChooser::bodyChosen, this, &MainWindow::begin);
    connect(m_bodies, &BodyChooser::left, this, [this] { chooseBody(false); });
    m_pictureStack = new QStackedWidget(bench);
    m_pictureStack->addWidget(m_picture);
    m_pictureStack->addWidget(m_bodies);

    m_photos = new Photos(m_bench, this);
    connect(m_photos, &Photos::failed, this, &MainWindow::say);
    makePanels(bench);
    m_splitter = new QSplitter(Qt::Vertical, bench);
    m_splitter->addWidget(m_pictureStack);
    m_splitter->addWidget(m_panel);
    m_splitter->setStretchFactor(0, 1);
    m_splitter->setStretchFactor(1, 1);
    m_splitter->setSizes({330, 270});
    m_splitter->setChildrenCollapsible(false);

    const auto rule = [bench](bool upright) {
        auto* line = new QFrame(bench);
        line->setObjectName(u"rule"_s);
        if (upright)
            line->setFixedWidth(1);
        else
            line->setFixedHeight(1);
        return line;
    };
    auto* middle = new QHBoxLayout;
    middle->setSpacing(0);
    middle->addWidget(m_line);
    middle->addWidget(rule(true));
    middle->addWidget(m_splitter, 1);
    middle->addWidget(rule(true));
    middle->addWidget(m_reckoning);
    auto* column = new QVBoxLayout(bench);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(m_shelf);
    column->addWidget(rule(false));
    column->addLayout(middle, 1);
    column->addWidget(rule(false));
    column->addWidget(m_notices);
    column->addWidget(m_jot);

    connectParts();
}

/// A panel a stage; the one that is seen shows what it has to show in the picture too.
void MainWindow::makePanels(QWidget* bench) {
    m_panel = new QStackedWidget(bench);
    for (const auto views : {stageViews(), workshopViews()}) {
        for (const StageView& view : views) {
            StagePanel* panel = view.panel(m_panel);
            m_panel->addWidget(panel);
            m_panels[view.stage] = panel;
            panel->usePhotos(*m_photos);
            connect(panel, &StagePanel::subjectChosen, &m_bench, &Bench::pointAt);
            connect(panel, &StagePanel::jotOffered, m_jot, &JotLine::offer);
            connect(panel, &StagePanel::jotChosen, &m_bench, &Bench::take);
            connect(panel, &StagePanel::jotsChosen, &m_bench, &Bench::takeAll);
            connect(panel, &StagePanel::overlayChanged, m_picture, [this, panel] {
                if (panel == m_panel->currentWidget()) m_picture->put(panel->overlay());
            });
            connect(panel, &StagePanel::refused, this, &MainWindow::say);
        }
    }
}

void MainWindow::connectParts() {
    connect(m_shelf, &ShelfView::jobChosen, this, [this](store::JobId id) {
        if (id == ShelfModel::workshopId)
            m_bench.openWorkshopRecord();
        else
            m_bench.openJob(id);
    });
    connect(m_shelf, &ShelfView::putBefore, &m_bench, &Bench::putOnShelf);
    connect(m_shelf, &ShelfView::searched, this, &MainWindow::search);
    connect(m_line, &LineOfWork::stageChosen, &m_bench, &Bench::goTo);
    connect(m_picture, &PictureView::subjectChosen, &m_bench, &Bench::pointAt);
    connect(m_picture, &PictureView::jotOffered, m_jot, &JotLine::offer);
    connect(m_picture, &PictureView::jotChosen, &m_bench, &Bench::take);
    connect(m_picture, &PictureView::darkChanged, this,
            [this](bool dark) { m_lightsOut->setChecked(dark); });
    connect(m_reckoning, &ReckoningPanel::figureChosen, m_jot, &JotLine::offer);
    connect(m_reckoning, &ReckoningPanel::optionTaken, &m_bench, &Bench::take);
    // Later: a row also lets go while the window is in the middle of showing something else.
    connect(
        m_reckoning, &ReckoningPanel::optionTried, this,
        [this](const QString& line) {
            m_held = line;
            showPicture();
        },
        Qt::QueuedConnection);
    connect(m_reckoning, &ReckoningPanel::findingChosen, this,
            [this](const QString& id) { m_bench.speakOf(id.toStdString()); });
    connect(m_jot, &JotLine::listWanted, this, &MainWindow::showJotList);
}

template <class Slot>
QAction* MainWindow::add(QMenu* menu, const QString& name, const QKeySequence& keys, Slot slot) {
    auto* action = menu->addAction(name);
    action->setShortcut(keys);
    connect(action, &QAction::triggered, this, slot);
    return action;
}

void MainWindow::buildMenus() {
    buildWorkshopMenu();
    buildOtherMenus();
}

void MainWindow::buildWorkshopMenu() {
    QMenu* workshop = menuBar()->addMenu(tr("&Workshop"));
    m_newJob = add(workshop, tr("New &job"), QKeySequence::New, [this] { chooseBody(true); });
    m_writing.append(add(workshop, tr("&Import job…"), {}, [this] { m_files->importJob(); }));
    m_needJob.append(add(workshop, tr("&Export job…"), QKeySequence(u"Ctrl+E"_s),
                         [this] { m_files->exportJob(); }));
    QMenu* sheets = workshop->addMenu(tr("S&heets of the job"));
    m_needJob.append(sheets->menuAction());
    for (const core::SheetKind& kind : core::sheetKinds()) {
        add(sheets, tr("%1…").arg(QCoreApplication::translate("core", kind.title)), {},
            [this, &kind] { m_files->saveSheet(kind); });
    }
    m_needJob.append(
        add(workshop, tr("Keep its &body for others…"), {}, [this] { m_files->keepBody(); }));
    m_needJob.append(
        add(workshop, tr("Keep a &lamp for others…"), {}, [this] { m_files->keepLamp(); }));
    auto* off =
        add(workshop, tr("&Take job off the shelf"), {}, [this] { m_bench.takeOffShelf(); });
    m_needJob.append(off);
    m_writing.append(off);
    QAction* back = m_bench.shelfUndoStack()->createUndoAction(this, tr("Take back:"));
    workshop->addAction(back);
    workshop->addSeparator();
    add(workshop, tr("&New workshop…"), {}, [this] { m_files->makeNew(); });
    add(workshop, tr("&Open workshop…"), QKeySequence::Open, [this] { m_files->choose(); });
    m_needWorkshop = add(workshop, tr("&Save a copy…"), QKeySequence(u"Ctrl+Shift+S"_s),
                         [this] { m_files->saveCopy(); });
    m_houseRules = add(workshop, tr("&House rules"), QKeySequence(u"Ctrl+H"_s),
                       [this] { m_bench.openWorkshopRecord(); });
    QMenu* recent = workshop->addMenu(tr("&Recent workshops"));
    connect(recent, &QMenu::aboutToShow, this, [this, recent] { m_files->fillRecent(*recent); });
    workshop->addSeparator();
    add(workshop, tr("&Quit"), QKeySequence::Quit, &QWidget::close);
}

void MainWindow::buildOtherMenus() {
    QMenu* edit = menuBar()->addMenu(tr("&Edit"));
    m_undo = add(edit, tr("Undo"), QKeySequence::Undo, [this] { m_bench.undo(); });
    m_redo = add(edit, tr("Redo"), {}, [this] { m_bench.redo(); });
    m_redo->setShortcuts({QKeySequence(u"Ctrl+Shift+Z"_s), QKeySequence(u"Ctrl+Y"_s)});
    edit->addSeparator();
    add(edit, tr("&Jot line"), QKeySequence(u"Ctrl+J"_s), [this] { m_jot->focusLine(); });
    add(edit, tr("&Hold the meter's reading"), QKeySequence(Qt::Key_F2),
        [this] { m_hold->hold(); });
    add(edit, tr("&Find job"), QKeySequence::Find, [this] { m_shelf->focusSearch(); });
    auto* use = add(edit, tr("&Use the first option"), QKeySequence(u"Ctrl+Return"_s), [this] {
        const core::Finding* spoken = m_bench.spoken();
        if (!spoken) return;
        for (const core::Option& option : spoken->options) {
            // Which answer is true only the one at the bench knows.
            if (option.inPlace || option.kind == core::Option::Kind::Answer) continue;
            m_bench.take(qs(option.jot));
            return;
        }
    });
    m_writing.append(use);

    QMenu* view = menuBar()->addMenu(tr("&View"));
    int number = 0;
    for (const core::JobStage& each : core::jobStages()) {
        ++number;
        // There are nine digits; what comes after them goes by Alt.
        const QKeySequence keys(number < 10 ? u"Ctrl+%1"_s.arg(number)
                                            : u"Alt+%1"_s.arg(number - 10));
        m_stages.append(add(view, stageTitle(each.name), keys, [this, &each] {
            if (m_bench.onWorkshop()) m_bench.openJob(m_bench.jobId());
            m_bench.goTo(each.name);
        }));
    }
    add(view, tr("Next stage"), QKeySequence(u"Ctrl+PgDown"_s), [this] { step(1); });
    add(view, tr("Stage before"), QKeySequence(u"Ctrl+PgUp"_s), [this] { step(-1); });
    view->addSeparator();
    m_lightsOut = add(view, tr("&Lights out"), QKeySequence(u"Ctrl+D"_s),
                      [this] { m_picture->setDark(m_lightsOut->isChecked()); });
    m_lightsOut->setCheckable(true);
    m_nightAction = add(view, tr("&Night theme"), QKeySequence(u"Ctrl+T"_s),
                        [this] { setNight(m_nightAction->isChecked()); });
    m_nightAction->setCheckable(true);
    view->addSeparator();
    add(view, tr("Zoom &in"), QKeySequence(u"Ctrl++"_s),
        [this] { m_picture->zoom(1.25, m_picture->rect().center()); });
    add(view, tr("Zoom &out"), QKeySequence(u"Ctrl+-"_s),
        [this] { m_picture->zoom(0.8, m_picture->rect().center()); });
    add(view, tr("&Whole model"), QKeySequence(u"Ctrl+0"_s), [this] { m_picture->fit(); });

    QMenu* help = menuBar()->addMenu(tr("&Help"));
    add(help, tr("&What can be typed"), QKeySequence::HelpContents, &MainWindow::showJotList);
    add(help, tr("&About Glimmet"), {}, [this] { showAbout(this); });
}

void MainWindow::reloadShelf() {
    auto jobs = m_bench.workshop() ? m_bench.workshop()->jobs()
                                   : core::Result<std::vector<store::JobEntry>>();
    if (!jobs) {
        m_notices->say(said(jobs.error()));
        return;
    }
    m_shelf->model()->setJobs(std::move(*jobs), m_bench.workshopRecord().shelfOrder);
    scan();
}

void MainWindow::scan() {
    if (!m_bench.workshop()) return;
    m_scan.start(m_bench.workshop()->path(), m_bench.catalogue(), m_bench.workshopRecord().house);
}

void MainWindow::search(const QString& words) {
    if (!m_bench.workshop() || words.trimmed().isEmpty()) {
        m_shelf->model()->setFilter({});
        return;
    }
    const auto found = m_bench.workshop()->search(words.toStdString());
    if (!found) {
        m_notices->say(said(found.error()));
        return;
    }
    m_shelf->model()->setFilter(std::unordered_set<store::JobId>(found->begin(), found->end()));
}

void MainWindow::showAll() {
    const bool has = m_bench.hasJob();
    m_needWorkshop->setEnabled(m_bench.workshop() != nullptr);
    m_houseRules->setEnabled(m_bench.workshop() != nullptr);
    m_bodies->setEnabled(m_bench.workshop() && !m_bench.readOnly());
    chooseBody(!has && !m_bench.onWorkshop());
    for (QAction* action : m_needJob) action->setEnabled(has);
    // Keys stay with their stages; one that this model does not have is not gone to.
    for (qsizetype i = 0; i < m_stages.size(); ++i) {
        const core::JobStage& each = core::jobStages()[static_cast<std::size_t>(i)];
        m_stages[i]->setEnabled(has && each.applies(m_bench.job()));
    }
    for (QAction* action : m_writing) {
        if (m_bench.readOnly()) action->setEnabled(false);
    }
    m_newJob->setEnabled(m_bench.workshop() && !m_bench.readOnly());
    const store::Undoable& undoable = m_bench.undoable();
    m_undo->setEnabled(undoable.undo.has_value());
    // In a menu a single & underlines what follows it; in the name of an edit it is meant.
    const auto inMenu = [](const core::Text& edit) { return said(edit).replace(u'&', u"&&"_s); };
    m_undo->setText(undoable.undo ? tr("Undo: %1").arg(inMenu(*undoable.undo)) : tr("Undo"));
    m_redo->setEnabled(undoable.redo.has_value());
    m_redo->setText(undoable.redo ? tr("Redo: %1").arg(inMenu(*undoable.redo)) : tr("Redo"));
    if (m_bench.onWorkshop()) {
        m_shelf->setOpenJob(ShelfModel::workshopId);
    } else if (has) {
        m_shelf->model()->rename(m_bench.jobId(), m_bench.job().name,
                                 store::bodiesOf(m_bench.job()), m_bench.job().scale.ratio);
        m_shelf->model()->setStandings({{m_bench.jobId(), core::worstState(m_bench.findings()),
                                         core::nextAction(m_bench.findings())}});
        m_shelf->setOpenJob(m_bench.jobId());
    }
    m_hold->setAddress(qs(m_bench.workshopRecord().meter));
    showAttention();
    m_jot->refresh();
}

void MainWindow::showPicture() {
    if (!m_bench.hasJob()) return m_picture->showNothing();
    m_picture->show(m_bench.facts(), stageView(m_bench.stage()).overlay, inQuestion());
    // What is said anew, say because an answer came in from beside, leaves it held.
    if (!m_held.isEmpty())
        m_bench.wouldBe(
            m_held, [&](const core::JobAnalysis& facts) { m_picture->showTried(facts, m_held); });
}

std::string MainWindow::inQuestion() const {
    const std::string& subject = m_bench.subject();
    const core::Finding* spoken = m_bench.spoken();
    return subject.empty() && spoken ? spoken->subject.id : subject;
}

void MainWindow::showAttention() {
    const bool has = m_bench.hasJob();
    const core::Job& job = m_bench.job();
    const std::string_view stage = m_bench.stage();
    const StageView& view = stageView(stage);
    const bool onWorkshop = m_bench.onWorkshop();
    if (has || onWorkshop) m_line->show(m_bench.standings(), stage);
    m_line->setVisible(has || onWorkshop);
    const core::Finding* spoken = m_bench.spoken();
    const std::string subject = inQuestion();
    StagePanel* panel = m_panels.at(view.stage);
    m_panel->setCurrentWidget(panel);
    showPicture();
    if (has) panel->show(m_bench.facts(), m_bench.findings(), subject);
    m_picture->put(panel->overlay());
    if (onWorkshop) panel->showWorkshop(m_bench.workshopFacts(), subject);
    std::vector<const core::Finding*> others;
    for (const core::Finding& finding : m_bench.findings()) {
        if (finding.stage == stage && &finding != spoken) others.push_back(&finding);
    }
    // The gravest first; of equals the order of the checks.
    std::stable_sort(others.begin(), others.end(),
                     [](const auto* a, const auto* b) { return a->state > b->state; });
    QString empty;
    if (!m_bench.workshop())
        empty = tr("No workshop is open. Open one, or make a new one: menu Workshop.");
    else if (!has && !onWorkshop)
        empty = tr("Put a model on the bench: choose its shape.");
    else
        empty = QCoreApplication::translate("stages", view.empty);
    m_reckoning->show(spoken, others, empty, m_bench.readOnly());
    m_reckoning->showRecord(has && !onWorkshop ? core::recordLines(job)
                                               : std::vector<core::Text>{});
    setWindowTitle(
        has || onWorkshop
            ? tr("%1 · %2 · %3 — Glimmet")
                  .arg(onWorkshop ? tr("Workshop") : qs(job.name), stageTitle(stage),
                       spoken ? tr("%1: %2").arg(stateWord(spoken->state), said(spoken->sentence))
                              : empty)
            : tr("Glimmet"));
}

void MainWindow::setNight(bool night) {
    m_nightAction->setChecked(night);
    useTheme(night);
    showAll();
}

void MainWindow::say(const QString& sentence) { m_notices->say(sentence); }

void MainWindow::useMeter(const QString& address) { m_hold->useInstead(address); }

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    if (m_bench.hasJob() && event->mimeData()->hasUrls()) event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event) {
    for (const QUrl& url : event->mimeData()->urls()) {
        const QString path = url.toLocalFile();
        bool taken = false;
        for (const StageView& view : stageViews()) {
            if (!m_panels.at(view.stage)->takeFile(path)) continue;
            m_bench.goTo(view.stage);
            taken = true;
            break;
        }
        if (!taken) {
            say(tr("%1 is nothing that Glimmet can use here.").arg(url.fileName()));
        }
    }
}

void MainWindow::openWorkshop(const QString& path, store::Access access) {
    m_files->open(path, access);
}

void MainWindow::begin(const std::string& body) {
    const core::BodyDrawing* drawing = core::bodyNamed(m_bench.catalogue(), body);
    if (!drawing) return;
    m_bench.addJob(core::newJob(bodyTitle(*drawing).toStdString(), *drawing, {}),
                   core::text("New job"));
}

void MainWindow::chooseBody(bool choosing) {
    const bool has = m_bench.hasJob();
    const bool shown = m_pictureStack->currentIndex() == 1;
    m_pictureStack->setCurrentIndex(choosing ? 1 : 0);
    m_panel->setVisible((has || m_bench.onWorkshop()) && !choosing);
    if (choosing != shown || !has) m_bodies->begin(has);
    if (has && shown && !choosing) m_jot->focusLine();
}

void MainWindow::step(int by) {
    const auto standings = m_bench.standings();
    for (std::size_t i = 0; i < standings.size(); ++i) {
        if (standings[i].stage != m_bench.stage()) continue;
        const auto to = static_cast<std::ptrdiff_t>(i) + by;
        if (to < 0 || to >= static_cast<std::ptrdiff_t>(standings.size())) return;
        m_bench.goTo(standings[static_cast<std::size_t>(to)].stage);
        return;
    }
}

void MainWindow::showJotList() {
    if (m_jotList->isVisible()) {
        m_jotList->hide();
        m_jot->focusLine();
    } else {
        const int high = qMin(520, centralWidget()->height() - m_jot->height() - 20);
        m_jotList->setGeometry(160, m_jot->y() - high - 4,
                               qMin(940, centralWidget()->width() - 180), high);
        m_jotList->show();
        m_jotList->raise();
        m_jotList->refresh(m_bench.onWorkshop() ? core::workshopJotForms() : core::jotForms(),
                           m_bench.stage());
    }
}

void MainWindow::keyPressEvent(QKeyEvent* event) {
    // After a press on a button the hand is back at the keys: what nothing else takes is a jot.
    const QString typed = event->text();
    const bool plain =
        !(event->modifiers() & (Qt::ControlModifier | Qt::AltModifier | Qt::MetaModifier));
    const bool refused = m_jot->isAncestorOf(focusWidget());  // the line itself did not want it
    if (plain && typed.size() == 1 && typed.front().isLetterOrNumber() && !refused)
        m_jot->type(event);
    else
        QMainWindow::keyPressEvent(event);
}

void MainWindow::closeEvent(QCloseEvent* event) {
    QSettings settings;
    settings.setValue(u"window/geometry"_s, saveGeometry());
    settings.setValue(u"window/splitter"_s, m_splitter->saveState());
    settings.setValue(u"window/night"_s, theme().night);
    m_scan.cancel();
    event->accept();
}

}  // namespace glimmet::app
