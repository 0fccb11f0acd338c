#include "app/main_window.h"

#include "app/about.h"
#include "app/jot_line.h"
#include "app/jot_list.h"
#include "app/lamps/lamps_strip.h"
#include "app/line_of_work.h"
#include "app/measure/motor_plot.h"
#include "app/picture/picture_view.h"
#include "app/reckoning_panel.h"
#include "app/shelf/shelf_view.h"
#include "app/shelf/silhouette.h"
#include "app/theme.h"
#include "app/words.h"
#include "core/job/record.h"
#include "store/job_json.h"

#include <QAction>
#include <QApplication>
#include <QCloseEvent>
#include <QDir>
#include <QFile>
#include <QFileDialog>
#include <QFrame>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenuBar>
#include <QPainter>
#include <QPushButton>
#include <QSaveFile>
#include <QSettings>
#include <QSplitter>
#include <QStackedWidget>
#include <QStandardPaths>
#include <QTimer>
#include <QUndoStack>
#include <QVBoxLayout>
#include <QtConcurrent>

#include <unordered_set>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr int recentFiles = 8;
constexpr int followMilliseconds = 700;  // how far a read-only window is behind the one that writes
constexpr qint64 quicklyExamined = 4 << 20;  // bytes that are looked through within a frame

/// A kind of body to put on the shelf, as its silhouette.
class KindButton : public QPushButton {
public:
    KindButton(core::BodyKind kind, QWidget* parent) : QPushButton(parent), m_kind(kind) {
        setAccessibleName(MainWindow::tr("New job: %1").arg(bodyName(kind)));
        setMinimumSize(150, 96);
    }

protected:
    void paintEvent(QPaintEvent* event) override {
        QPushButton::paintEvent(event);
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        const core::Body body = core::bodyTemplate(m_kind, core::usualLength(m_kind, 87));
        painter.fillPath(silhouette(body, QRectF(rect()).adjusted(14, 10, -14, -32)), theme().ink);
        painter.setPen(theme().ink);
        painter.setFont(wordsFont(14));
        painter.drawText(rect().adjusted(4, 0, -4, -6), Qt::AlignBottom | Qt::AlignHCenter,
                         bodyName(m_kind));
    }

private:
    core::BodyKind m_kind;
};

}  // namespace

MainWindow::MainWindow(core::Catalogue catalogue) : m_bench(std::move(catalogue)) {
    setWindowTitle(tr("Glimmet"));
    setWindowIcon(QIcon(u":/icons/glimmet.svg"_s));
    resize(1280, 800);
    build();
    buildMenus();
    connect(&m_bench, &Bench::jobChanged, this, &MainWindow::showAll);
    connect(&m_bench, &Bench::attentionChanged, this, &MainWindow::showAttention);
    connect(&m_bench, &Bench::workshopChanged, this, &MainWindow::reloadShelf);
    connect(&m_bench, &Bench::shelfChanged, this, &MainWindow::reloadShelf);
    connect(&m_bench, &Bench::failed, this, [this](const QString& sentence) { notice(sentence); });
    connect(&m_scan, &ShelfScan::found, m_shelf->model(), &ShelfModel::setStandings);
    connect(&m_scan, &ShelfScan::progressed, m_shelf, &ShelfView::showProgress);
    connect(m_shelf, &ShelfView::scanCancelled, &m_scan, &ShelfScan::cancel);

    auto* following = new QTimer(this);
    connect(following, &QTimer::timeout, &m_bench, &Bench::follow);
    following->start(followMilliseconds);

    QSettings settings;
    restoreGeometry(settings.value(u"window/geometry"_s).toByteArray());
    m_splitter->restoreState(settings.value(u"window/splitter"_s).toByteArray());
    setNight(settings.value(u"window/night"_s, false).toBool());
    showAll();
    m_jot->focusLine();  // the hand that holds the meter types first
}

MainWindow::~MainWindow() = default;

void MainWindow::build() {
    auto* bench = new QWidget(this);
    bench->setObjectName(u"bench"_s);
    setCentralWidget(bench);
    m_shelf = new ShelfView(bench);
    m_line = new LineOfWork(bench);
    m_picture = new PictureView(bench);
    m_plot = new MotorPlot(bench);
    m_lamps = new LampsStrip(bench);
    m_reckoning = new ReckoningPanel(bench);
    m_jot = new JotLine([this](const QString& line) { return m_bench.understood(line); },
                        [this](const QString& line) { return m_bench.take(line); },
                        [this](const QString& line) { return m_bench.completions(line); }, bench);

    m_jotList = new JotList(bench);
    m_jotList->hide();
    connect(m_jotList, &JotList::exampleChosen, m_jot, &JotLine::offer);
    connect(m_jotList, &JotList::closed, m_jot, &JotLine::focusLine);
    connect(m_jot, &JotLine::begun, m_jotList, &QWidget::hide);

    m_notice = new QFrame(bench);
    m_notice->setObjectName(u"notice"_s);
    m_noticeWords = new QLabel(m_notice);
    m_noticeWords->setObjectName(u"noticeWords"_s);
    m_noticeWords->setWordWrap(true);
    m_noticeWords->setTextFormat(Qt::PlainText);
    m_noticeAction = new QPushButton(m_notice);
    m_noticeAction->setObjectName(u"noticeAction"_s);
    auto* dismiss = new QPushButton(tr("Understood"), m_notice);
    dismiss->setObjectName(u"noticeDismiss"_s);
    auto* noticeRow = new QHBoxLayout(m_notice);
    noticeRow->setContentsMargins(14, 6, 12, 6);
    noticeRow->addWidget(m_noticeWords, 1);
    noticeRow->addWidget(m_noticeAction);
    noticeRow->addWidget(dismiss);
    m_notice->hide();
    connect(dismiss, &QPushButton::clicked, m_notice, &QWidget::hide);
    connect(m_noticeAction, &QPushButton::clicked, this, [this] {
        m_notice->hide();
        if (m_noticeDo) std::exchange(m_noticeDo, {})();
    });

    auto* kinds = new QWidget(bench);
    auto* kindGrid = new QGridLayout(kinds);
    auto* invitation = new QLabel(
        tr("Nothing on the bench yet. Which shape comes nearest to the model in your hand? Then "
           "measure it: running current first, because a decoder never cures a bad runner."),
        kinds);
    invitation->setWordWrap(true);
    invitation->setObjectName(u"invitation"_s);
    kindGrid->setContentsMargins(24, 16, 24, 16);
    kindGrid->addWidget(invitation, 0, 0, 1, 4);
    int place = 0;
    for (const core::BodyKind kind : core::bodyKinds) {
        auto* button = new KindButton(kind, kinds);
        button->setObjectName(u"new-"_s + qs(std::string(core::name(kind))));
        kindGrid->addWidget(button, 1 + place / 4, place % 4);
        ++place;
        connect(button, &QPushButton::clicked, this, [this, kind] {
            m_bench.addJob(core::newJob(bodyName(kind).toStdString(), kind, {}),
                           core::text("New job"));
        });
    }
    kindGrid->setRowStretch(3, 1);
    m_pictureStack = new QStackedWidget(bench);
    m_pictureStack->addWidget(m_picture);
    m_pictureStack->addWidget(kinds);

    m_strip = new QStackedWidget(bench);
    m_strip->addWidget(m_plot);
    m_strip->addWidget(m_lamps);
    m_splitter = new QSplitter(Qt::Vertical, bench);
    m_splitter->addWidget(m_pictureStack);
    m_splitter->addWidget(m_strip);
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
    column->addWidget(m_notice);
    column->addWidget(m_jot);

    connect(m_shelf, &ShelfView::jobChosen, &m_bench, &Bench::openJob);
    connect(m_shelf, &ShelfView::searched, this, &MainWindow::search);
    connect(m_line, &LineOfWork::stageChosen, &m_bench, &Bench::goTo);
    connect(m_picture, &PictureView::subjectChosen, &m_bench, &Bench::pointAt);
    connect(m_picture, &PictureView::jotOffered, m_jot, &JotLine::offer);
    connect(m_picture, &PictureView::darkChanged, this,
            [this](bool dark) { m_lightsOut->setChecked(dark); });
    connect(m_plot, &MotorPlot::jotOffered, m_jot, &JotLine::offer);
    connect(m_lamps, &LampsStrip::subjectChosen, &m_bench, &Bench::pointAt);
    connect(m_lamps, &LampsStrip::jotOffered, m_jot, &JotLine::offer);
    connect(m_reckoning, &ReckoningPanel::figureChosen, m_jot, &JotLine::offer);
    connect(m_reckoning, &ReckoningPanel::optionTaken, &m_bench, &Bench::take);
    connect(m_reckoning, &ReckoningPanel::findingChosen, this,
            [this](const QString& id) { m_bench.speakOf(id.toStdString()); });
    connect(m_jot, &JotLine::listWanted, this, &MainWindow::showJotList);
}

void MainWindow::buildMenus() {
    const auto add = [this](QMenu* menu, const QString& name, const QKeySequence& keys, auto slot) {
        auto* action = menu->addAction(name);
        action->setShortcut(keys);
        connect(action, &QAction::triggered, this, slot);
        return action;
    };
    QMenu* workshop = menuBar()->addMenu(tr("&Workshop"));
    QMenu* kinds = workshop->addMenu(tr("New &job"));
    m_writing.append(kinds->menuAction());
    for (const core::BodyKind kind : core::bodyKinds) {
        add(kinds, bodyName(kind), {}, [this, kind] {
            m_bench.addJob(core::newJob(bodyName(kind).toStdString(), kind, {}),
                           core::text("New job"));
        });
    }
    m_writing.append(add(workshop, tr("&Import job…"), {}, &MainWindow::importJob));
    m_needJob.append(
        add(workshop, tr("&Export job…"), QKeySequence(u"Ctrl+E"_s), &MainWindow::exportJob));
    auto* off =
        add(workshop, tr("&Take job off the shelf"), {}, [this] { m_bench.takeOffShelf(); });
    m_needJob.append(off);
    m_writing.append(off);
    QAction* back = m_bench.shelfUndoStack()->createUndoAction(this, tr("Take back:"));
    workshop->addAction(back);
    workshop->addSeparator();
    add(workshop, tr("&New workshop…"), {}, &MainWindow::newWorkshop);
    add(workshop, tr("&Open workshop…"), QKeySequence::Open, &MainWindow::chooseWorkshop);
    m_needWorkshop =
        add(workshop, tr("&Save a copy…"), QKeySequence(u"Ctrl+Shift+S"_s), &MainWindow::saveCopy);
    m_recent = workshop->addMenu(tr("&Recent workshops"));
    connect(m_recent, &QMenu::aboutToShow, this, &MainWindow::fillRecent);
    workshop->addSeparator();
    add(workshop, tr("&Quit"), QKeySequence::Quit, &QWidget::close);

    QMenu* edit = menuBar()->addMenu(tr("&Edit"));
    m_undo = add(edit, tr("Undo"), QKeySequence::Undo, [this] { m_bench.undo(); });
    m_redo = add(edit, tr("Redo"), {}, [this] { m_bench.redo(); });
    m_redo->setShortcuts({QKeySequence(u"Ctrl+Shift+Z"_s), QKeySequence(u"Ctrl+Y"_s)});
    edit->addSeparator();
    add(edit, tr("&Jot line"), QKeySequence(u"Ctrl+J"_s), [this] { m_jot->focusLine(); });
    add(edit, tr("&Find job"), QKeySequence::Find, [this] { m_shelf->focusSearch(); });
    auto* use = add(edit, tr("&Use the first option"), QKeySequence(u"Ctrl+Return"_s), [this] {
        const core::Finding* spoken = m_bench.spoken();
        if (!spoken) return;
        for (const core::Option& option : spoken->options) {
            if (option.inPlace) continue;
            m_bench.take(qs(option.jot));
            return;
        }
    });
    m_writing.append(use);

    QMenu* view = menuBar()->addMenu(tr("&View"));
    for (const core::Stage stage : core::stages) {
        add(view, stageName(stage), QKeySequence(u"Ctrl+%1"_s.arg(static_cast<int>(stage) + 1)),
            [this, stage] { m_bench.goTo(stage); });
    }
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

void MainWindow::openWorkshop(const QString& path, store::Access access) {
    if (QFileInfo(path).size() < quicklyExamined) {
        openExamined(path, access, store::Soundness::ToBeChecked);
        return;
    }
    notice(tr("Looking through %1 …").arg(QFileInfo(path).fileName()));
    auto* watcher = new QFutureWatcher<core::Result<void>>(this);
    connect(watcher, &QFutureWatcherBase::finished, this, [this, watcher, path, access] {
        const auto sound = watcher->result();
        watcher->deleteLater();
        m_notice->hide();
        if (sound)
            openExamined(path, access, store::Soundness::Known);
        else
            openingFailed(sound.error(), path, access);
    });
    watcher->setFuture(QtConcurrent::run([path] { return store::examined(path); }));
}

void MainWindow::openingFailed(const core::Error& error, const QString& path,
                               store::Access access) {
    const bool readable =
        access == store::Access::ReadWrite &&
        (error.code == core::ErrorCode::InUse || error.code == core::ErrorCode::NotWritable);
    if (readable) {
        notice(said(error), tr("Open read-only"),
               [this, path] { openWorkshop(path, store::Access::ReadOnly); });
    } else if (error.code == core::ErrorCode::Damaged) {
        notice(said(error), tr("Salvage into a new file"), [this, path] { salvage(path); });
    } else {
        notice(said(error));
    }
}

void MainWindow::openExamined(const QString& path, store::Access access,
                              store::Soundness soundness) {
    auto opened = store::Workshop::open(path, access, soundness);
    if (!opened) {
        openingFailed(opened.error(), path, access);
        return;
    }
    remember(path);
    m_notice->hide();
    m_scan.cancel();  // it reads the workshop that is being closed
    m_bench.setWorkshop(std::move(*opened));
    const auto jobs = m_bench.workshop()->jobs();
    if (jobs && !jobs->empty()) m_bench.openJob(jobs->front().id);
    if (m_bench.readOnly()) {
        notice(tr("%1 is open read-only: look as you like, nothing can be changed.")
                   .arg(QFileInfo(path).fileName()));
    }
}

void MainWindow::salvage(const QString& path) {
    notice(tr("Reading what can be read of %1 …").arg(QFileInfo(path).fileName()));
    auto* watcher = new QFutureWatcher<core::Result<store::Salvage>>(this);
    connect(watcher, &QFutureWatcherBase::finished, this, [this, watcher] {
        const auto rescued = watcher->result();
        watcher->deleteLater();
        if (!rescued) {
            notice(said(rescued.error()));
            return;
        }
        openWorkshop(rescued->path);
        notice(tr("Salvaged into %1: %2. The damaged file is as it was.")
                   .arg(QFileInfo(rescued->path).fileName(),
                        jobCount(static_cast<int>(rescued->jobs))));
    });
    watcher->setFuture(QtConcurrent::run([path] { return store::salvage(path); }));
}

void MainWindow::reloadShelf() {
    auto jobs = m_bench.workshop() ? m_bench.workshop()->jobs()
                                   : core::Result<std::vector<store::JobEntry>>();
    if (!jobs) {
        notice(said(jobs.error()));
        return;
    }
    m_shelf->model()->setJobs(std::move(*jobs));
    if (m_bench.workshop()) m_scan.start(m_bench.workshop()->path(), m_bench.catalogue());
}

void MainWindow::search(const QString& words) {
    if (!m_bench.workshop() || words.trimmed().isEmpty()) {
        m_shelf->model()->setFilter({});
        return;
    }
    const auto found = m_bench.workshop()->search(words.toStdString());
    if (!found) {
        notice(said(found.error()));
        return;
    }
    m_shelf->model()->setFilter(std::unordered_set<store::JobId>(found->begin(), found->end()));
}

void MainWindow::showAll() {
    const bool has = m_bench.hasJob();
    m_needWorkshop->setEnabled(m_bench.workshop() != nullptr);
    m_pictureStack->setCurrentIndex(has ? 0 : 1);
    m_pictureStack->widget(1)->setEnabled(m_bench.workshop() && !m_bench.readOnly());
    for (QAction* action : m_needJob) action->setEnabled(has);
    for (QAction* action : m_writing) {
        if (m_bench.readOnly())
            action->setEnabled(false);
        else if (!m_needJob.contains(action) && action->menu())
            action->setEnabled(true);
    }
    const store::Undoable& undoable = m_bench.undoable();
    m_undo->setEnabled(undoable.undo.has_value());
    // In a menu a single & underlines what follows it; in the name of an edit it is meant.
    const auto inMenu = [](const core::Text& edit) { return said(edit).replace(u'&', u"&&"_s); };
    m_undo->setText(undoable.undo ? tr("Undo: %1").arg(inMenu(*undoable.undo)) : tr("Undo"));
    m_redo->setEnabled(undoable.redo.has_value());
    m_redo->setText(undoable.redo ? tr("Redo: %1").arg(inMenu(*undoable.redo)) : tr("Redo"));
    m_strip->setVisible(has);
    if (has) {
        m_shelf->model()->rename(m_bench.jobId(), m_bench.job().name, m_bench.job().body.kind,
                                 m_bench.job().scale.ratio);
        m_shelf->model()->setStandings({{m_bench.jobId(), core::worstState(m_bench.findings()),
                                         core::nextAction(m_bench.findings())}});
        m_shelf->setOpenJob(m_bench.jobId());
    }
    showAttention();
    m_jot->refresh();
}

void MainWindow::showAttention() {
    const bool has = m_bench.hasJob();
    const core::Job& job = m_bench.job();
    const core::Stage stage = m_bench.stage();
    m_line->show(core::standing(job, m_bench.findings()), stage);
    m_line->setVisible(has);
    const core::Finding* spoken = m_bench.spoken();
    std::string subject = m_bench.subject();
    if (subject.empty() && spoken) subject = spoken->subject;
    if (has) {
        m_picture->show(job, stage == core::Stage::Measure ? Lens::Motor : Lens::Lamps, subject);
        m_strip->setCurrentIndex(stage == core::Stage::Measure ? 0 : 1);
        if (stage == core::Stage::Measure)
            m_plot->show(job);
        else
            m_lamps->show(job, m_bench.findings(), subject);
    } else {
        m_picture->showNothing();
    }
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
    else if (!has)
        empty = tr("Put a model on the bench: choose its shape.");
    else if (stage == core::Stage::Measure)
        empty = tr("This one has no motor: nothing to measure here.");
    else
        empty =
            tr("No lamp yet. A lamp needs a place, a colour and an output; the resistor is worked "
               "out for you.");
    m_reckoning->show(spoken, others, empty, m_bench.readOnly());
    m_reckoning->showRecord(has ? core::recordLines(job) : std::vector<core::Text>{});
    setWindowTitle(
        has ? tr("%1 · %2 · %3 — Glimmet")
                  .arg(qs(job.name), stageName(stage),
                       spoken ? tr("%1: %2").arg(stateWord(spoken->state), said(spoken->sentence))
                              : empty)
            : tr("Glimmet"));
}

void MainWindow::setNight(bool night) {
    m_nightAction->setChecked(night);
    useTheme(night);
    setStyleSheet(
        u"#rule { background: %1; border: none; } #notice { background: %2; border-top: 2px solid "
        u"%3; } "
        "#invitation { font-size: 17px; }"_s.arg(theme().paperEdge.name(),
                                                 theme().paperRaised.name(), theme().ask.name()));
    if (m_line) showAll();
}

void MainWindow::say(const QString& sentence) { notice(sentence); }

void MainWindow::notice(const QString& sentence, const QString& actionName,
                        std::function<void()> action) {
    m_noticeWords->setText(sentence);
    m_noticeAction->setText(actionName);
    m_noticeAction->setVisible(!actionName.isEmpty());
    m_noticeDo = std::move(action);
    m_notice->show();
}

void MainWindow::newWorkshop() {
    QString path = QFileDialog::getSaveFileName(this, tr("New workshop"), QDir::homePath(),
                                                tr("Glimmet workshops (*.glimmet)"));
    if (path.isEmpty()) return;
    if (QFileInfo(path).suffix().isEmpty()) path += u".glimmet"_s;
    openWorkshop(path);
}

void MainWindow::saveCopy() {
    QString path = QFileDialog::getSaveFileName(this, tr("Save a copy"), QDir::homePath(),
                                                tr("Glimmet workshops (*.glimmet)"));
    if (path.isEmpty()) return;
    if (QFileInfo(path).suffix().isEmpty()) path += u".glimmet"_s;
    const auto copied = m_bench.workshop()->copyTo(path);
    notice(copied ? tr("A copy of the workshop is in %1. The one that is open stays open.")
                        .arg(QFileInfo(path).fileName())
                  : said(copied.error()));
}

void MainWindow::chooseWorkshop() {
    const QString path =
        QFileDialog::getOpenFileName(this, tr("Open workshop"), QDir::homePath(),
                                     tr("Glimmet workshops (*.glimmet);;All files (*)"));
    if (!path.isEmpty()) openWorkshop(path);
}

void MainWindow::importJob() {
    const QString path = QFileDialog::getOpenFileName(this, tr("Import job"), QDir::homePath(),
                                                      tr("Jobs in JSON (*.json);;All files (*)"));
    if (path.isEmpty()) return;
    QFile file(path);
    if (!QFileInfo(path).isFile() || !file.open(QIODevice::ReadOnly)) {
        notice(tr("%1 cannot be read.").arg(QFileInfo(path).fileName()));
        return;
    }
    const auto job = store::jobFromJson(file.readAll().toStdString());
    if (!job) {
        notice(tr("%1 was not imported. %2").arg(QFileInfo(path).fileName(), said(job.error())));
        return;
    }
    m_bench.addJob(*job, core::text("Imported"));
}

void MainWindow::exportJob() {
    if (!m_bench.hasJob()) return;
    QString path = QFileDialog::getSaveFileName(
        this, tr("Export job"), QDir::homePath() + u"/job.json"_s, tr("Jobs in JSON (*.json)"));
    if (path.isEmpty()) return;
    QSaveFile file(path);  // what stood there stays whole until the new one is
    const QByteArray document = QByteArray::fromStdString(store::jobToJson(m_bench.job()) + "\n");
    if (!file.open(QIODevice::WriteOnly) || file.write(document) != document.size() ||
        !file.commit()) {
        notice(tr("%1 could not be written.").arg(QFileInfo(path).fileName()));
    }
}

void MainWindow::remember(const QString& path) {
    QSettings settings;
    QStringList recent = settings.value(u"workshops/recent"_s).toStringList();
    const QString whole = QFileInfo(path).absoluteFilePath();
    recent.removeAll(whole);
    recent.prepend(whole);
    settings.setValue(u"workshops/recent"_s, recent.mid(0, recentFiles));
}

void MainWindow::fillRecent() {
    m_recent->clear();
    const QStringList recent = QSettings().value(u"workshops/recent"_s).toStringList();
    for (const QString& path : recent) {
        auto* action = m_recent->addAction(QFileInfo(path).completeBaseName());
        action->setToolTip(path);
        connect(action, &QAction::triggered, this, [this, path] { openWorkshop(path); });
    }
    if (recent.isEmpty()) m_recent->addAction(tr("none yet"))->setEnabled(false);
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
        m_jotList->refresh();
    }
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
