#include "app/meter/meter_panel.h"

#include "app/meter/meter_view.h"
#include "app/theme/words.h"
#include "core/analysis/meter/matrix.h"
#include "core/analysis/meter/words.h"
#include "core/work/meter/lines.h"

#include <QKeyEvent>

using namespace Qt::StringLiterals;

namespace glimmet::app {

StagePanel* meterPanel(QWidget* parent) { return new MeterPanel(parent); }

namespace {

using core::meter::Row;

TableRow rowOf(const Row& row, bool next) {
    TableRow made;
    made.cells.push_back(
        {.words = said(row.words), .below = said(row.why), .strong = next, .figures = false});
    made.cells.push_back({.words = said(core::meter::mustShow(row))});
    TableCell read{.words = MeterPanel::tr("not read")};
    if (!row.read.empty()) {
        read.words = said(core::meter::shown(row.read.back()));
        read.state = row.state;
        if (!row.lacks.empty()) read.below = said(row.lacks);
        made.mark = row.state;
    }
    made.cells.push_back(std::move(read));
    made.cells.push_back({.words = said(row.at[0]), .below = said(row.at[1]), .figures = false});
    made.chosen = next;
    const std::string good = core::meter::goodLine(row);
    made.line = qs(good.empty() ? core::meter::lineOf(row) : good);
    return made;
}

TableContent pairsOf(const core::JobAnalysis& facts) {
    TableContent made;
    made.empty = MeterPanel::tr("Nothing to prove by meter yet: choose a decoder or a lamp first.");
    made.columns = {
        {.title = MeterPanel::tr("pair"), .least = 230, .share = 1.3, .wraps = true},
        {.title = MeterPanel::tr("must read"), .least = 160, .share = 0.7, .wraps = true},
        {.title = MeterPanel::tr("reads"), .least = 120, .share = 0.7, .wraps = true},
        {.title = MeterPanel::tr("probes at"), .least = 140, .share = 0.6}};
    const core::meter::Matrix& matrix = core::meter::matrixOf(facts);
    const Row* next = core::meter::nextRow(matrix);
    made.note = MeterPanel::tr(
                    "Decoder out, body off. Allowed so far: %1. "
                    "G: reads as it must · B: it does not · O: its ohms")
                    .arg(said(core::meter::allowed(matrix.allows)));
    for (const Row& row : matrix.rows) made.rows.push_back(rowOf(row, &row == next));
    return made;
}

}  // namespace

MeterPanel::MeterPanel(QWidget* parent) : PagesPanel(u"meterPanel"_s, parent) {
    m_pairs = addTable(u"pairsTable"_s, tr("pairs"), tr("Pairs to probe, in order"), pairsOf);
    connect(m_pairs, &Table::moved, this, [this](int row) { m_current = row; });
    for (QWidget* each : m_pairs->findChildren<QWidget*>()) each->installEventFilter(this);
}

void MeterPanel::show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
                      const std::string& subject) {
    PagesPanel::show(facts, findings, subject);
    const core::meter::Matrix& matrix = core::meter::matrixOf(facts);
    const Row* next = core::meter::nextRow(matrix);
    m_lines.clear();
    m_current = -1;
    for (const Row& row : matrix.rows) {
        const QString value = qs(core::meter::lineOf(row));
        const bool open = row.expect == core::meter::Expect::Open;
        m_lines.push_back(
            {qs(core::meter::goodLine(row)), value + (open ? u"beep"_s : u"open"_s), value});
        if (&row == next) m_current = static_cast<int>(m_lines.size()) - 1;
    }
    m_pairs->setCurrent(m_current);
}

bool MeterPanel::eventFilter(QObject* watched, QEvent* event) {
    const auto current = static_cast<std::size_t>(m_current);
    if (event->type() != QEvent::KeyPress || m_current < 0 || current >= m_lines.size())
        return PagesPanel::eventFilter(watched, event);
    const auto* key = static_cast<QKeyEvent*>(event);
    if (key->modifiers() != Qt::NoModifier) return PagesPanel::eventFilter(watched, event);
    const Lines lines = m_lines[current];
    switch (key->key()) {
        case Qt::Key_G:
            if (lines.good.isEmpty())
                emit jotOffered(lines.value);
            else
                emit jotChosen(lines.good);
            return true;
        case Qt::Key_B:
            emit jotChosen(lines.bad);
            return true;
        case Qt::Key_O:
            emit jotOffered(lines.value);
            return true;
        default:
            return PagesPanel::eventFilter(watched, event);
    }
}

}  // namespace glimmet::app
