#include "app/stay_alive/stay_alive_panel.h"

#include "app/stay_alive/bank_drawing.h"
#include "app/stay_alive/bank_table.h"
#include "app/stay_alive/consequence_table.h"
#include "app/stay_alive/crossing_plot.h"
#include "app/stay_alive/hold_plot.h"
#include "app/stay_alive/speed_column.h"
#include "app/stay_alive/stay_alive_view.h"
#include "app/theme/words.h"

#include <QHBoxLayout>
#include <QScrollArea>
#include <QStackedWidget>
#include <QToolButton>

#include <utility>

using namespace Qt::StringLiterals;

namespace glimmet::app {

StagePanel* stayAlivePanel(QWidget* parent) { return new StayAlivePanel(parent); }

StayAlivePanel::StayAlivePanel(QWidget* parent) : StagePanel(parent) {
    setObjectName(u"reservePanel"_s);
    const auto button = [this](const QString& name, const QString& words, const QString& tip,
                               bool checkable = false) {
        auto* made = new QToolButton(this);
        made->setObjectName(name);
        made->setText(words);
        made->setToolTip(tip);
        made->setAccessibleName(tip);
        made->setCheckable(checkable);
        made->setFocusPolicy(Qt::StrongFocus);
        return made;
    };
    m_track = button(u"overTrack"_s, tr("over the track"),
                     tr("The dead places of its layout, as it crosses them"), true);
    m_lifted = button(u"liftedOff"_s, tr("lifted off"),
                      tr("How long it goes on, lifted off the rails"), true);
    m_choice = button(u"bankChoice"_s, tr("banks"),
                      tr("The banks of the catalogue side by side, the best first"), true);
    m_wiring = button(u"bankWiring"_s, tr("wiring"),
                      tr("How the bank is wired, with the marks of its parts"), true);
    m_follows = button(u"bankFollows"_s, tr("what follows"),
                       tr("What else comes of the bank: programming, power-up, stopping"), true);
    m_back = button(u"changeBack"_s, tr("‹ wheel"),
                    tr("Back to where a wheel meets or leaves dead rail (Shift+Left)"));
    m_play = button(u"rollOver"_s, tr("roll"), tr("Let it roll over slowly (Space)"));
    m_on = button(u"changeOn"_s, tr("wheel ›"),
                  tr("On to where a wheel meets or leaves dead rail (Shift+Right)"));
    m_plot = new CrossingPlot(this);
    m_speeds = new SpeedColumn(this);
    m_hold = new HoldPlot(this);

    auto* head = new QHBoxLayout;
    head->setContentsMargins(10, 4, 10, 0);
    head->setSpacing(4);
    head->addWidget(m_track);
    head->addWidget(m_lifted);
    head->addWidget(m_choice);
    head->addWidget(m_wiring);
    head->addWidget(m_follows);
    head->addStretch(1);
    head->addWidget(m_back);
    head->addWidget(m_play);
    head->addWidget(m_on);
    auto* crossing = new QWidget(this);
    auto* row = new QHBoxLayout(crossing);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(m_plot, 1);
    row->addWidget(m_speeds);
    m_pages = new QStackedWidget(this);
    m_pages->addWidget(crossing);
    m_pages->addWidget(m_hold);
    m_banks = new Table;
    m_banks->setObjectName(u"bankTable"_s);
    m_banks->setAccessibleName(tr("Banks of the catalogue, the best first"));
    m_drawing = new BankDrawing;
    m_consequences = new Table;
    m_consequences->setObjectName(u"consequences"_s);
    m_consequences->setAccessibleName(tr("What follows of the bank"));
    for (QWidget* each : std::initializer_list<QWidget*>{m_banks, m_drawing, m_consequences}) {
        auto* scroll = new QScrollArea;
        scroll->setWidgetResizable(true);
        scroll->setFrameShape(QFrame::NoFrame);
        scroll->setWidget(each);
        m_pages->addWidget(scroll);
    }
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addLayout(head);
    column->addWidget(m_pages, 1);

    for (const auto& [pressed, page] : {std::pair{m_track, Track},
                                        {m_lifted, Lifted},
                                        {m_choice, Banks},
                                        {m_wiring, Wiring},
                                        {m_follows, Follows}}) {
        connect(pressed, &QToolButton::clicked, this, [this, shown = page] {
            m_wanted = shown;
            turn(shown);
        });
    }
    connect(m_banks, &Table::lineChosen, this, &StayAlivePanel::jotChosen);
    connect(m_drawing, &BankDrawing::jotOffered, this, &StayAlivePanel::jotOffered);
    connect(m_back, &QToolButton::clicked, this, [this] { m_plot->toNextChange(false); });
    connect(m_on, &QToolButton::clicked, this, [this] { m_plot->toNextChange(true); });
    connect(m_play, &QToolButton::clicked, this, [this] { m_plot->play(!m_plot->playing()); });
    connect(m_plot, &CrossingPlot::travelled, this, &StayAlivePanel::standOn);
    connect(m_speeds, &SpeedColumn::jotChosen, this, &StayAlivePanel::jotChosen);
    connect(m_speeds, &SpeedColumn::wayChosen, this, [this](std::size_t way) {
        if (!m_crossing || way >= m_crossing->ways.size()) return;
        m_crossing->shown = way;
        m_turned = true;
        showCrossing();
        standOn(m_plot->travel());
    });
    connect(m_hold, &HoldPlot::jotOffered, this, &StayAlivePanel::jotOffered);
}

void StayAlivePanel::show(const core::JobAnalysis& facts, const std::vector<core::Finding>&,
                          const std::string& subject) {
    if (facts.job.name != m_job) m_wanted.reset();
    m_job = facts.job.name;
    // The same place keeps the way that was pressed.
    const auto before = std::exchange(m_crossing, core::stay_alive::crossingChart(facts, subject));
    if (m_crossing && before && m_crossing->at.place.name == before->at.place.name && m_turned) {
        for (std::size_t i = 0; i < m_crossing->ways.size(); ++i) {
            if (m_crossing->ways[i].passages == before->way().passages) m_crossing->shown = i;
        }
    } else {
        m_turned = false;
    }
    showCrossing();
    m_hold->show(core::stay_alive::holdChart(facts));
    m_banks->showWhenSeen([job = facts.job, house = facts.house, catalogue = &facts.catalogue] {
        return bankTable(core::stay_alive::bankRows(core::analysed(job, house, *catalogue)));
    });
    m_drawing->show(facts.job, facts.house);
    m_consequences->show(consequenceTable(core::stay_alive::consequencesOf(facts)));
    m_track->setEnabled(m_crossing.has_value());
    // Without a bank there is nothing to be seen of lifting it off.
    const bool usual = !facts.job.bank || !facts.job.layout.spots.empty();
    const Page page = m_wanted.value_or(usual ? Track : Lifted);
    turn(page == Track && !m_crossing ? Lifted : page);
}

void StayAlivePanel::showCrossing() {
    m_plot->show(m_crossing);
    if (m_crossing) m_speeds->show(*m_crossing);
}

void StayAlivePanel::turn(Page page) {
    const bool toTheTrack = page == Track;
    m_pages->setCurrentIndex(page);
    int number = 0;
    for (QToolButton* one : {m_track, m_lifted, m_choice, m_wiring, m_follows})
        one->setChecked(number++ == page);
    for (QToolButton* one : {m_back, m_play, m_on}) one->setVisible(toTheTrack);
    if (toTheTrack)
        standOn(m_plot->travel());
    else
        overlay({});
}

void StayAlivePanel::standOn(core::Millimetres travel) {
    if (!m_crossing) return;
    // A model that stops goes no further in the picture either.
    overlay({.track = m_crossing->under(std::min(travel, m_crossing->end()))});
}

}  // namespace glimmet::app
