#include "app/lamps/lamps_panel.h"

#include "app/lamps/fault_table.h"
#include "app/lamps/gap_plot.h"
#include "app/lamps/lamp_export.h"
#include "app/lamps/lamps_view.h"
#include "app/lamps/mismatch_rows.h"
#include "app/lamps/schematic.h"
#include "app/lamps/tester_table.h"
#include "app/lamps/volts_table.h"
#include "app/picture/scene.h"
#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/work/lamps/lamps.h"
#include "core/work/stage_status.h"

#include <QAbstractButton>
#include <QDir>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QPainter>
#include <QScrollArea>
#include <QScrollBar>
#include <QStackedWidget>
#include <QToolButton>
#include <QVBoxLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {
/// What an output's row says.
struct OutputEntry {
    QString title, below;
    QColor wire;
    std::optional<core::State> state;
    std::string group;                 ///< what hangs on it, or empty
    QString jot;                       ///< what adds a lamp to it where it is free
    std::vector<LikelyLine> likely{};  ///< of an output: what lamp, what its board carries
    int lamps = 0;                     ///< that hang on it

    /// Brief enough for a narrow panel: what is cut there is the name, not the number.
    [[nodiscard]] QString brief(const QFontMetrics& font, int width) const {
        const QString number = lamps > 1 ? u" ×%1"_s.arg(lamps) : QString();
        return font.elidedText(below, Qt::ElideRight, width - font.horizontalAdvance(number)) +
               number;
    }
};

/// An output: a wire end in its colour, what it is called, what hangs on it and how that stands.
class OutputButton : public QAbstractButton {
public:
    explicit OutputButton(QWidget* parent) : QAbstractButton(parent) {
        setCheckable(true);
        setMinimumHeight(46);
        setCursor(Qt::PointingHandCursor);
    }
    void show(const OutputEntry& entry, bool chosen) {
        const bool same = entry.title == m_entry.title && entry.below == m_entry.below &&
                          entry.wire == m_entry.wire && entry.state == m_entry.state &&
                          entry.lamps == m_entry.lamps && chosen == isChecked();
        m_entry = entry;
        setObjectName(u"output-"_s + (entry.group.empty() ? entry.jot : qs(entry.group)));
        if (same) return;
        const QString words = entry.lamps > 1
                                  ? LampsPanel::tr("%1, %2 lamps").arg(entry.below).arg(entry.lamps)
                                  : entry.below;
        setAccessibleName(
            entry.state
                ? LampsPanel::tr("%1: %2, %3").arg(entry.title, words, stateWord(*entry.state))
                : LampsPanel::tr("%1: %2").arg(entry.title, words));
        setToolTip(accessibleName());
        setChecked(chosen);
        update();
    }
    [[nodiscard]] const OutputEntry& entry() const { return m_entry; }

protected:
    void paintEvent(QPaintEvent*) override {
        const Theme& look = theme();
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        paintRowGround(painter, *this);
        if (m_entry.wire.isValid()) {
            QPainterPath wire(QPointF(10, 16));
            wire.lineTo(36, 16);
            paintWire(painter, wire, m_entry.wire, 5);
            painter.setPen(QPen(QColor(0xB8, 0x6B, 0x3A), 2.4));  // stripped copper
            painter.drawLine(QPointF(39, 16), QPointF(46, 16));
        }
        const int left = 54;
        painter.setFont(wordsFont(14, isChecked()));
        painter.setPen(look.ink);
        painter.drawText(QRect(left, 4, width() - left - 4, 22), Qt::AlignVCenter,
                         QFontMetrics(painter.font())
                             .elidedText(m_entry.title, Qt::ElideRight, width() - left - 8));
        painter.setFont(wordsFont(13));
        painter.setPen(look.inkSoft);
        int x = left;
        if (m_entry.state) {
            paintMark(painter, QRectF(left, 29, 24, 11), *m_entry.state);
            x += 30;
        }
        painter.drawText(QRect(x, 25, width() - x - 4, 18), Qt::AlignVCenter,
                         m_entry.brief(QFontMetrics(painter.font()), width() - x - 6));
    }

private:
    OutputEntry m_entry;
};

namespace {
int lampsOf(const core::LampGroup& group) {
    int lamps = 0;
    for (const core::LampRow& row : group.rows) lamps += static_cast<int>(row.lamps.size());
    return lamps;
}

}  // namespace

namespace {

/// What one probably wants of an output: a lamp where it is free, and what its board carries where
/// nobody has looked.
std::vector<LikelyLine> likelyOf(const OutputEntry& entry, const core::DecoderOutput& output) {
    std::vector<LikelyLine> lines;
    if (entry.group.empty()) {
        QString red = entry.jot;
        QString warm = entry.jot;
        lines.push_back({LampsPanel::tr("a white lamp"), entry.jot});
        lines.push_back(
            {LampsPanel::tr("a warm white lamp"), warm.replace(u" white "_s, u" warm white "_s)});
        lines.push_back({LampsPanel::tr("a red lamp"), red.replace(u" white "_s, u" red "_s)});
    }
    if (!output.series) {
        const QString called = u"output %1 "_s.arg(qs(output.name));
        lines.push_back({LampsPanel::tr("its board is bare"), called + u"bare"_s});
        lines.push_back({LampsPanel::tr("its board carries 470 Ω"), called + u"470R"_s});
        lines.push_back({LampsPanel::tr("its board carries 1.5 kΩ"), called + u"1k5"_s});
    }
    return lines;
}

}  // namespace

LampsPanel::~LampsPanel() = default;

StagePanel* lampsPanel(QWidget* parent) { return new LampsPanel(parent); }

LampsPanel::LampsPanel(QWidget* parent)
    : StagePanel(parent),
      m_outputs(new QScrollArea(this)),
      m_pages(new QStackedWidget(this)),
      m_schematic(new Schematic),
      m_faults(new FaultTable),
      m_builds(new MismatchRows),
      m_testers(new TesterTable),
      m_volts(new Table),
      m_dirt(new GapPlot),
      m_buttons(std::make_unique<Rows<OutputButton>>()) {
    setObjectName(u"lampsPanel"_s);
    m_volts->setObjectName(u"voltsTable"_s);
    m_volts->setAccessibleName(tr("The group on other volts"));
    m_outputs->setWidgetResizable(true);
    m_outputs->setFixedWidth(230);
    m_outputs->setFrameShape(QFrame::NoFrame);
    m_outputs->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* head = new QHBoxLayout;
    head->setContentsMargins(10, 4, 10, 0);
    head->setSpacing(4);
    const auto add = [&](const QString& name, const QString& title, const QString& tip,
                         QWidget* shown, bool scrolled) {
        if (scrolled) {
            auto* area = new QScrollArea;
            area->setWidgetResizable(true);
            area->setFrameShape(QFrame::NoFrame);
            area->setWidget(shown);
            shown = area;
        }
        const Page page = static_cast<Page>(m_pages->addWidget(shown));
        auto* tab = new QToolButton(this);
        tab->setObjectName(name);
        tab->setText(title);
        tab->setToolTip(tip);
        tab->setAccessibleName(tip);
        tab->setCheckable(true);
        tab->setFocusPolicy(Qt::StrongFocus);
        tab->setMinimumWidth(30);  // on a small screen they give way, not the window
        connect(tab, &QToolButton::clicked, this, [this, page] { turnTo(page); });
        head->addWidget(tab);
        m_tabs.push_back(tab);
    };
    add(u"pageCircuit"_s, tr("circuit"), tr("The group as a schematic"), m_schematic, true);
    add(u"pageFaults"_s, tr("if one fails"), tr("What happens if one of its lamps fails"), m_faults,
        true);
    add(u"pageBuilds"_s, tr("ten builds"), tr("In how many builds its lamps look uneven"), m_builds,
        true);
    add(u"pageTesters"_s, tr("testers"), tr("What the bench testers should show at its lamps"),
        m_testers, true);
    add(u"pageVolts"_s, tr("volts"), tr("What it would take and waste on 5, 9, 12 or 16 V"),
        m_volts, true);
    add(u"pageDirt"_s, tr("over dirt"), tr("What the lamps do while the rails give nothing"),
        m_dirt, false);
    // Not before there is something on them: a window once made wider stays so.
    for (const Page page : {Volts, Dirt}) m_tabs[page]->hide();
    head->addStretch(1);
    auto* save = new QToolButton(this);
    save->setObjectName(u"saveLamps"_s);
    save->setText(tr("save …"));
    save->setToolTip(tr("The circuit as SVG, PDF, PNG or SPICE, or all lamps as CSV"));
    save->setAccessibleName(save->toolTip());
    save->setFocusPolicy(Qt::StrongFocus);
    connect(save, &QToolButton::clicked, this, &LampsPanel::askWhere);
    head->addWidget(save);
    auto* shown = new QVBoxLayout;
    shown->setContentsMargins(0, 0, 0, 0);
    shown->setSpacing(2);
    shown->addLayout(head);
    shown->addWidget(m_pages, 1);
    auto* page = new QWidget;
    auto* whole = new QVBoxLayout(page);
    whole->setContentsMargins(6, 6, 6, 6);
    m_column = new QVBoxLayout;
    m_column->setSpacing(2);
    whole->addLayout(m_column);
    whole->addStretch();
    m_outputs->setWidget(page);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(m_outputs);
    row->addLayout(shown, 1);
    turnTo(Circuit);
    connect(m_builds, &Table::lineChosen, this, &LampsPanel::jotChosen);
    connect(m_faults, &FaultTable::seen, this, [this](const PictureOverlay& as) { overlay(as); });
    connect(m_testers, &TesterTable::jotChosen, this, &LampsPanel::jotChosen);
    connect(m_volts, &Table::lineChosen, this, &LampsPanel::jotChosen);
    connect(m_dirt, &GapPlot::jotOffered, this, &LampsPanel::jotOffered);
    connect(m_schematic, &Schematic::jotOffered, this, &LampsPanel::jotOffered);
    connect(m_schematic, &Schematic::jotChosen, this, &LampsPanel::jotChosen);
}

void LampsPanel::turnTo(Page page) {
    m_pages->setCurrentIndex(page);
    for (std::size_t i = 0; i < m_tabs.size(); ++i) {
        m_tabs[i]->setChecked(static_cast<int>(i) == page);
    }
}

void LampsPanel::askWhere() {
    const QString path = QFileDialog::getSaveFileName(
        this, tr("Save the circuit, or the list of lamps"), QDir::home().filePath(u"lamps.svg"_s),
        tr("Circuit drawn (*.svg *.pdf *.png);;Circuit as SPICE netlist (*.cir);;"
           "All lamps as a table (*.csv)"));
    if (!path.isEmpty()) saveAs(path);
}

void LampsPanel::saveAs(const QString& path) {
    if (!m_shown) return;
    const QString fault =
        exportLamps(*m_schematic, m_shown->job, m_shown->house, m_shown->group, path);
    if (!fault.isEmpty()) emit refused(fault);
}

void LampsPanel::show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
                      const std::string& subject) {
    const core::Job& job = facts.job;
    std::vector<OutputEntry> entries;
    const auto add = [&](const QString& title, const core::LampGroup* group, const QColor& wire,
                         const QString& freeJot) {
        OutputEntry entry{title,  group ? qs(group->name) : tr("free: add a lamp"), wire, {}, {},
                          freeJot};
        if (group) {
            entry.group = group->id;
            entry.lamps = lampsOf(*group);
            const core::Finding* lead = core::leading(findings, lampsView.stage, group->id);
            if (lead) entry.state = lead->state;
        }
        entries.push_back(std::move(entry));
    };
    std::vector<const core::LampGroup*> placed;
    if (job.decoder) {
        for (const core::DecoderOutput& output : job.decoder->part.outputs) {
            const core::LampGroup* there = nullptr;
            for (const core::LampGroup& group : job.groups) {
                if (group.output == output.name) there = &group;
            }
            if (there) placed.push_back(there);
            const bool directional = output.name == "front" || output.name == "rear";
            add(directional ? tr("%1, %2").arg(qs(output.name), qs(output.wire))
                            : tr("output %1, %2").arg(qs(output.name), qs(output.wire)),
                there, wireColour(qs(output.wire)), qs(core::lamps::newLampJot(job, output.name)));
            entries.back().likely = likelyOf(entries.back(), output);
        }
    }
    for (const core::LampGroup& group : job.groups) {
        if (std::find(placed.begin(), placed.end(), &group) != placed.end()) continue;
        add(group.output == core::supplyOutput ? tr("on the supply")
                                               : tr("output %1").arg(qs(group.output)),
            &group, wireColour(u"black"_s), {});
    }
    if (!job.decoder) add(tr("on the supply"), nullptr, wireColour(u"black"_s), u"lamp "_s);

    m_buttons->fill(
        m_column, entries,
        [this] {
            auto* button = new OutputButton(m_outputs->widget());
            connect(button, &QAbstractButton::clicked, this, [this, button] {
                const OutputEntry entry = button->entry();  // showing it changes what it holds
                const QPoint below = button->mapToGlobal(button->rect().bottomLeft());
                button->setChecked(false);
                if (entry.group.empty())
                    emit jotOffered(entry.jot);
                else
                    emit subjectChosen(entry.group);
                offerLikely(this, below, entry.title, entry.likely,
                            [this](const QString& line) { emit jotChosen(line); });
            });
            return button;
        },
        [&](OutputButton& button, const OutputEntry& entry) {
            button.show(entry, !entry.group.empty() && entry.group == subject);
        });

    const core::LampGroup* group = core::groupNamed(job, subject);
    if (!group && !job.groups.empty()) group = &job.groups.front();
    m_schematic->show(facts, group,
                      tr("No lamp yet. Press an output on the left, or a place for a lamp in the "
                         "picture, or type  lamp front white  into the jot line."));
    m_shown = Shown{job, facts.house, group ? group->id : std::string()};
    m_faults->showGroup(facts, group);
    m_builds->showGroup(facts, group);
    m_testers->show(group);
    const auto volts = group ? core::lamps::onOtherVolts(job, *group, facts.house)
                             : std::vector<core::lamps::OnVolts>();
    m_volts->show(voltsTable(volts));
    m_tabs[Volts]->setVisible(!volts.empty());
    if (volts.empty() && m_pages->currentIndex() == Volts) turnTo(Circuit);
    // Only where lamps hang on the rails there is dirt to get over.
    const auto chart = core::gapChart(facts);
    if (chart) m_dirt->show(*chart);
    m_tabs[Dirt]->setVisible(chart.has_value());
    if (!chart && m_pages->currentIndex() == Dirt) turnTo(Circuit);
}

}  // namespace glimmet::app
