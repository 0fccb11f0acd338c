#include "app/decoder/decoder_rack.h"

#include "app/decoder/decoder_view.h"
#include "app/table/table.h"
#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/work/decoder/rating_words.h"

#include <QAbstractButton>
#include <QCoreApplication>
#include <QPainter>
#include <QVBoxLayout>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {

StagePanel* decoderRack(QWidget* parent) { return new DecoderRack(parent); }

namespace {

using core::decoder::Aspect;

constexpr int rowHeight = 46;
constexpr int outline = 52;  // room for the outline of the largest that is shown
constexpr int widths[] = {66, 72, 72, 72, 108, 76, 96, 60, 84, 56};  // as Aspect

/// Those that always matter; the others are shown where there is room.
bool always(Aspect aspect) {
    constexpr Aspect all[] = {Aspect::Motor,  Aspect::Outputs,   Aspect::Stage,
                              Aspect::Socket, Aspect::StayAlive, Aspect::Price};
    return std::find(std::begin(all), std::end(all), aspect) != std::end(all);
}

QString aspectTitle(Aspect aspect) {
    return QCoreApplication::translate("core", core::decoder::title(aspect));
}

/// To scale beside the others; what will not do is pale.
Sketch outlineOf(const core::decoder::RankedDecoder& ranked, double largest) {
    const double scale = (outline - 16) / largest;
    const core::Decoder& part = *ranked.decoder;
    const QSizeF size(part.length.value() * scale,
                      std::min(part.width.value() * scale, rowHeight - 20.0));
    return [size, over = ranked.worst == core::State::Over](QPainter& painter, const QRectF& cell) {
        const QRectF box(QPointF(cell.left() + 8, cell.center().y() - 7 - size.height() / 2), size);
        painter.setPen(QPen(theme().ink, 1));
        painter.setBrush(QColor(0x2E, 0x7D, 0x5B, over ? 70 : 220));
        painter.drawRoundedRect(box, 1.5, 1.5);
    };
}

void outlined(QPainter& painter, const QRectF& cell, core::State state) {
    painter.setPen(QPen(theme().of(state), 1.6));
    painter.setBrush(Qt::NoBrush);
    painter.drawRoundedRect(cell.adjusted(2, 6, -2, -5), 3, 3);
}

/// Its name without ratings and socket, which stand in the columns beside it; what it wins and
/// loses.
TableCell nameOf(const core::decoder::RankedDecoder& ranked, bool fitted, double largest) {
    const QString wins = said(ranked.wins), loses = said(ranked.loses);
    QStringList beside;
    if (fitted) beside << DecoderRack::tr("fitted");
    beside << wins << loses;
    beside.removeAll(QString());
    if (beside.isEmpty()) beside << stateWord(ranked.worst);
    QStringList tip{qs(ranked.decoder->name)};
    for (const core::decoder::Cell& cell : ranked.cells) {
        tip << DecoderRack::tr("%1: %2%3")
                   .arg(aspectTitle(cell.aspect), said(cell.shows),
                        cell.says.empty() ? QString() : u", "_s + said(cell.says));
    }
    return {.words = qs(ranked.decoder->name).section(u',', 0, 0),
            .below = beside.join(u" · "_s),
            .strong = fitted,
            .figures = false,
            .indent = outline - 8,
            .sketch = outlineOf(ranked, largest),
            .tip = tip.join(u'\n')};
}

TableRow rowOf(const core::decoder::RankedDecoder& ranked, bool fitted, double largest) {
    TableRow row{.cells = {nameOf(ranked, fitted, largest)},
                 .mark = ranked.worst,
                 .chosen = fitted,
                 .line = u"decoder "_s + qs(ranked.decoder->id)};
    for (std::size_t i = 0; i < ranked.cells.size(); ++i) {
        const core::decoder::Cell& cell = ranked.cells[i];
        TableCell shown{.words = said(cell.shows), .state = cell.state, .tip = said(cell.says)};
        if (i == ranked.deciding && cell.state != core::State::Fine)
            shown.sketch = [state = cell.state](QPainter& painter, const QRectF& at) {
                outlined(painter, at, state);
            };
        row.cells.push_back(std::move(shown));
    }
    return row;
}

TableContent rackOf(const std::vector<core::decoder::RankedDecoder>& ranked, const core::Job& job) {
    double largest = 0;
    for (const auto& each : ranked) {
        if (each.worst <= core::State::Ask)
            largest = std::max(largest, each.decoder->length.value());
    }
    if (largest <= 0) largest = 80;
    TableContent made;
    made.columns = {{.title = DecoderRack::tr("Best first"), .least = 250, .share = 1}};
    for (std::size_t i = 0; i < core::decoder::aspects; ++i) {
        const auto aspect = static_cast<Aspect>(i);
        made.columns.push_back({.title = aspectTitle(aspect),
                                .least = widths[i],
                                .share = 0,
                                .aside = !always(aspect)});
    }
    for (const auto& each : ranked) {
        const bool fitted = job.decoder && job.decoder->part.id == each.decoder->id;
        made.rows.push_back(rowOf(each, fitted, std::max(largest, each.decoder->length.value())));
    }
    return made;
}

}  // namespace

/// One of the three rules and what it says of the decoder; a press holds this job by it.
class DecoderRuleButton final : public QAbstractButton {
public:
    explicit DecoderRuleButton(QWidget* parent) : QAbstractButton(parent) {
        setCheckable(true);
        setFixedHeight(44);
        setCursor(Qt::PointingHandCursor);
    }
    void show(const core::decoder::RuleSays& says) {
        m_state = says.state;
        m_says = said(says.says);
        m_name = DecoderRack::tr("%1 rule").arg(ruleWord(says.rule));
        jot = u"rule "_s + QString::fromUtf8(core::name(says.rule).data());
        setObjectName(u"by-"_s + QString::fromUtf8(core::name(says.rule).data()));
        setChecked(says.held);
        setAccessibleName(DecoderRack::tr("%1: %2, %3").arg(m_name, stateWord(m_state), m_says));
        setToolTip(accessibleName());
        update();
    }
    QString jot;

protected:
    void paintEvent(QPaintEvent*) override {
        const Theme& look = theme();
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        paintRowGround(painter, *this);
        const QRect words = rect().adjusted(10, 3, -6, -3);
        paintMark(painter, QRectF(words.left(), words.top() + 5, 22, 10), m_state);
        painter.setFont(wordsFont(13, isChecked()));
        painter.setPen(look.ink);
        painter.drawText(words.adjusted(28, 0, 0, -words.height() / 2),
                         Qt::AlignVCenter | Qt::AlignLeft, m_name);
        painter.setFont(wordsFont(13));
        painter.setPen(look.inkSoft);
        painter.drawText(words.adjusted(0, words.height() / 2, 0, 0),
                         Qt::AlignVCenter | Qt::AlignLeft,
                         painter.fontMetrics().elidedText(m_says, Qt::ElideRight, words.width()));
    }

private:
    static QString ruleWord(core::RatingRule rule) {
        switch (rule) {
            case core::RatingRule::Strict:
                return DecoderRack::tr("strict");
            case core::RatingRule::Slip:
                return DecoderRack::tr("slip");
            case core::RatingRule::Running:
                break;
        }
        return DecoderRack::tr("running");
    }
    core::State m_state{};
    QString m_name, m_says;
};

DecoderRack::DecoderRack(QWidget* parent) : StagePanel(parent), m_table(new Table(this)) {
    setObjectName(u"decoderRack"_s);
    m_table->setAccessibleName(tr("Decoders, ranked by everything that the job asks"));
    m_table->setScrolls();
    connect(m_table, &Table::lineChosen, this, &DecoderRack::jotChosen);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(0);
    all->addWidget(m_table, 1);
    m_foot = new QWidget(this);
    auto* foot = new QHBoxLayout(m_foot);
    foot->setContentsMargins(0, 0, 0, 0);
    foot->setSpacing(1);
    for (DecoderRuleButton*& rule : m_rules) {
        rule = new DecoderRuleButton(m_foot);
        foot->addWidget(rule, 1);
        connect(rule, &QAbstractButton::clicked, this, [this, one = rule] {
            one->setChecked(!one->isChecked());  // it is checked when it is held by
            emit jotChosen(one->jot);
        });
    }
    all->addWidget(m_foot);
}

void DecoderRack::show(const core::JobAnalysis& facts, const std::vector<core::Finding>&,
                       const std::string&) {
    std::vector<core::decoder::RankedDecoder> ranked;
    if (!core::motorsOf(facts.job).empty()) {
        ranked = core::decoder::rankedDecoders(facts, core::driveEvidence(facts));
    }
    // The rules side by side, of the decoder that is in or comes first.
    const core::Decoder* asked = facts.job.decoder ? &facts.job.decoder->part
                                 : ranked.empty()  ? nullptr
                                                   : ranked.front().decoder;
    m_foot->setVisible(asked && !ranked.empty());
    if (!m_foot->isHidden()) {
        const auto says = core::decoder::byEachRule(facts, core::driveEvidence(facts), *asked);
        for (std::size_t i = 0; i < m_rules.size(); ++i) m_rules[i]->show(says[i]);
    }
    m_table->show(rackOf(ranked, facts.job));
}

}  // namespace glimmet::app
