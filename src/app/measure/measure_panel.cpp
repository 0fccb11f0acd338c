#include "app/measure/measure_panel.h"

#include "app/measure/health_plot.h"
#include "app/measure/log_view.h"
#include "app/measure/measure_view.h"
#include "app/measure/motor_plot.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QStackedLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {

StagePanel* measurePanel(QWidget* parent) { return new MeasurePanel(parent); }

MeasurePanel::MeasurePanel(QWidget* parent) : StagePanel(parent) {
    setObjectName(u"measurePanel"_s);
    auto* plots = new QWidget(this);
    m_motor = new MotorPlot(plots);
    m_health = new HealthPlot(plots);
    m_health->hide();
    auto* row = new QHBoxLayout(plots);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(m_motor, 5);
    row->addWidget(m_health, 3);
    m_open = new QPushButton(tr("Meter log…"), plots);
    m_open->setObjectName(u"openLog"_s);
    m_open->setStyleSheet(u"padding: 1px 8px;"_s);
    m_open->setToolTip(
        tr("Cut a session that a meter wrote down (CSV) into readings. It can be "
           "dropped on the window too."));
    m_log = new LogView(this);
    m_pages = new QStackedLayout(this);
    m_pages->addWidget(plots);
    m_pages->addWidget(m_log);
    m_still = new QLabel(tr("No motor turns in it: there is nothing to read here.\n"
                            "Its lamps are read where they are, under Lamps; a motor would be "
                            "jotted like motor can."),
                         this);
    m_still->setObjectName(u"noMotor"_s);
    m_still->setAlignment(Qt::AlignCenter);
    m_pages->addWidget(m_still);
    connect(m_open, &QPushButton::clicked, this, [this] {
        const QString path =
            QFileDialog::getOpenFileName(this, tr("Open a meter's log"), {},
                                         tr("Logs (*.csv *.txt *.tsv *.log);;All files (*)"));
        if (!path.isEmpty()) takeFile(path);
    });
    connect(m_motor, &StagePanel::jotOffered, this, &StagePanel::jotOffered);
    connect(m_log, &LogView::left, this, [this] { m_pages->setCurrentIndex(0); });
    connect(m_log, &LogView::linesChosen, this, [this](const QStringList& lines) {
        m_entering = true;  // a refused one keeps the log where it is
        emit jotsChosen(lines);
        m_entering = false;
    });
    connect(m_log, &LogView::refused, this, [this](const QString& sentence) {
        m_pages->setCurrentIndex(0);
        emit refused(sentence);
    });
}

void MeasurePanel::show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
                        const std::string& subject) {
    // A log belongs to the model that it was opened for.
    const bool another = facts.job.name != m_job;
    m_job = facts.job.name;
    const bool still = core::motorsOf(facts.job).empty();
    if (another || m_entering || m_pages->currentWidget() != m_log) {
        m_pages->setCurrentIndex(still ? m_pages->indexOf(m_still) : 0);
    }
    m_motor->show(facts, findings, subject);
    m_health->show(facts);
    m_log->setJob(facts.job);
}

void MeasurePanel::resizeEvent(QResizeEvent*) {
    // Beside the label of the axis, where a plot leaves room.
    m_open->setGeometry(6, height() - 32, m_open->sizeHint().width(), 28);
    m_open->raise();
}

bool MeasurePanel::takeFile(const QString& path) {
    const QString suffix = QFileInfo(path).suffix().toLower();
    if (!QStringList{u"csv"_s, u"txt"_s, u"tsv"_s, u"log"_s}.contains(suffix)) return false;
    m_pages->setCurrentWidget(m_log);
    m_log->open(path);
    return true;
}

}  // namespace glimmet::app
