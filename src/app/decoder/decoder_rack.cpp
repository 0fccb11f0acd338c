#include "app/decoder/decoder_rack.h"

#include "app/decoder/decoder_view.h"
#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/work/decoder/rating_words.h"

#include <QAbstractButton>
#include <QCoreApplication>
#include <QPainter>
#include <QScrollArea>
#include <QScrollBar>
#include <QVBoxLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {

StagePanel* decoderRack(QWidget* parent) { return new DecoderRack(parent); }

namespace {

using core::decoder::Aspect;

constexpr int rowHeight = 46;
constexpr int outline = 52;  // room for the outline of the largest that is shown
constexpr int widths[] = {66, 72, 72, 72, 108, 76, 96, 60, 84, 56};  // as Aspect
constexpr Aspect always[] = {Aspect::Motor,  Aspect::Outputs,   Aspect::Stage,
                             Aspect::Socket, Aspect::StayAlive, Aspect::Price};

/// Where the columns stand at a width: those that always matter, all where there is room.
struct Columns {
    explicit Columns(int width) {
        if (width > 1150) {
            for (std::size_t i = 0; i < core::decoder::aspects; ++i) {
                shown.push_back(static_cast<Aspect>(i));
            }
        } else {
            shown.assign(std::begin(always), std::end(always));
        }
        left = width - 8;
        for (const Aspect aspect : shown) left -= widths[static_cast<std::size_t>(aspect)];
    }
    [[nodiscard]] QRect at(std::size_t i, int height) const {
        int x = left;
        for (std::size_t k = 0; k < i; ++k) x += widths[static_cast<std::size_t>(shown[k])];
        return {x, 0, widths[static_cast<std::size_t>(shown[i])], height};
    }
    std::vector<Aspect> shown;
    int left = 0;
};

/// What a row is called: ratings and socket stand in the columns beside it.
QString nameInRack(const QString& name) { return name.section(u',', 0, 0); }

QString aspectTitle(Aspect aspect) {
    return QCoreApplication::translate("core", core::decoder::title(aspect));
}

}  // namespace

/// The names of the columns.
class RackHead : public QWidget {
public:
    explicit RackHead(QWidget* parent) : QWidget(parent) { setFixedHeight(22); }

protected:
    void paintEvent(QPaintEvent*) override {
        const Theme& look = theme();
        QPainter painter(this);
        painter.setFont(wordsFont(13));
        painter.setPen(look.inkSoft);
        const Columns columns(width());
        for (std::size_t i = 0; i < columns.shown.size(); ++i) {
            painter.drawText(columns.at(i, height()).adjusted(6, 0, -2, 0),
                             Qt::AlignVCenter | Qt::AlignLeft, aspectTitle(columns.shown[i]));
        }
        painter.drawText(QRect(outline, 0, columns.left - outline, height()),
                         Qt::AlignVCenter | Qt::AlignLeft, DecoderRack::tr("What will do first"));
        painter.setPen(look.paperEdge);
        painter.drawLine(0, height() - 1, width(), height() - 1);
    }
};

/// One decoder: its outline to scale, its name, what it wins and loses, its cells.
class DecoderRow : public QAbstractButton {
public:
    explicit DecoderRow(QWidget* parent) : QAbstractButton(parent) {
        setCheckable(true);
        setFixedHeight(rowHeight);
        setCursor(Qt::PointingHandCursor);
    }
    void show(const core::decoder::RankedDecoder& ranked, bool fitted, double largest) {
        m_cells = ranked.cells;
        m_deciding = ranked.deciding;
        m_state = ranked.worst;
        m_name = qs(ranked.decoder->name);
        m_size = {ranked.decoder->length.value(), ranked.decoder->width.value()};
        m_largest = largest;
        const QString wins = said(ranked.wins), loses = said(ranked.loses);
        m_beside = wins.isEmpty() ? loses : loses.isEmpty() ? wins : wins + u" · "_s + loses;
        if (fitted)
            m_beside = m_beside.isEmpty() ? DecoderRack::tr("fitted")
                                          : DecoderRack::tr("fitted · %1").arg(m_beside);
        jot = u"decoder "_s + qs(ranked.decoder->id);
        setObjectName(jot);
        setChecked(fitted);
        setAccessibleName(DecoderRack::tr("%1: %2, %3").arg(m_name, stateWord(m_state), m_beside));
        QStringList tip{m_name};
        for (const core::decoder::Cell& cell : m_cells) {
            tip << DecoderRack::tr("%1: %2%3")
                       .arg(aspectTitle(cell.aspect), said(cell.shows),
                            cell.says.empty() ? QString() : u", "_s + said(cell.says));
        }
        setToolTip(tip.join(u'\n'));
        update();
    }
    QString jot;

protected:
    void paintEvent(QPaintEvent*) override {
        const Theme& look = theme();
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        paintRowGround(painter, *this);
        // As large as the others beside it are drawn.
        const double scale = (outline - 16) / m_largest;
        const QSizeF size(m_size.width() * scale, qMin(m_size.height() * scale, rowHeight - 8.0));
        const QRectF box(QPointF(8, (rowHeight - size.height()) / 2), size);
        painter.setPen(QPen(look.ink, 1));
        painter.setBrush(QColor(0x2E, 0x7D, 0x5B, m_state == core::State::Over ? 70 : 220));
        painter.drawRoundedRect(box, 1.5, 1.5);
        painter.setBrush(Qt::NoBrush);

        const Columns columns(width());
        const QRect words(outline, 3, columns.left - outline - 6, rowHeight - 6);
        painter.setFont(wordsFont(13, isChecked()));
        painter.setPen(look.ink);
        painter.drawText(
            words.adjusted(0, 0, 0, -words.height() / 2), Qt::AlignVCenter | Qt::AlignLeft,
            painter.fontMetrics().elidedText(nameInRack(m_name), Qt::ElideRight, words.width()));
        paintMark(painter, QRectF(words.left(), words.center().y() + 6, 22, 10), m_state);
        painter.setFont(wordsFont(13));
        painter.setPen(look.inkSoft);
        painter.drawText(
            words.adjusted(28, words.height() / 2, 0, 0), Qt::AlignVCenter | Qt::AlignLeft,
            painter.fontMetrics().elidedText(m_beside.isEmpty() ? stateWord(m_state) : m_beside,
                                             Qt::ElideRight, words.width() - 28));
        painter.setFont(figuresFont(13));
        for (std::size_t i = 0; i < columns.shown.size(); ++i) {
            const auto index = static_cast<std::size_t>(columns.shown[i]);
            const core::decoder::Cell& cell = m_cells[index];
            const QRect at = columns.at(i, rowHeight).adjusted(2, 5, -2, -5);
            const bool decides = index == m_deciding && cell.state != core::State::Fine;
            if (decides) {
                painter.setPen(QPen(look.of(cell.state), 1.6));
                painter.drawRoundedRect(at, 3, 3);
            }
            painter.setPen(cell.state == core::State::Fine ? look.ink : look.of(cell.state));
            painter.drawText(
                at.adjusted(4, 0, -2, cell.state == core::State::Fine ? 0 : -13),
                Qt::AlignVCenter | Qt::AlignLeft,
                painter.fontMetrics().elidedText(said(cell.shows), Qt::ElideRight, at.width() - 6));
            if (cell.state != core::State::Fine) {
                paintMark(painter, QRectF(at.left() + 4, at.bottom() - 13, 20, 9), cell.state);
            }
        }
    }

private:
    std::vector<core::decoder::Cell> m_cells;
    std::size_t m_deciding = 0;
    core::State m_state{};
    QString m_name, m_beside;
    QSizeF m_size;
    double m_largest = 1;
};

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

DecoderRack::DecoderRack(QWidget* parent)
    : StagePanel(parent), m_head(new RackHead(this)), m_rows(std::make_unique<Rows<DecoderRow>>()) {
    setObjectName(u"decoderRack"_s);
    setAccessibleName(tr("Decoders, ranked by everything that the job asks"));
    auto* scroll = new QScrollArea(this);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn);
    m_page = new QWidget;
    m_column = new QVBoxLayout(m_page);
    m_column->setContentsMargins(0, 0, 0, 0);
    m_column->setSpacing(0);
    m_column->setAlignment(Qt::AlignTop);
    scroll->setWidget(m_page);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(0);
    auto* head = new QHBoxLayout;  // as wide as the rows, beside their scroll bar
    head->setContentsMargins(0, 0, scroll->verticalScrollBar()->sizeHint().width(), 0);
    head->addWidget(m_head);
    all->addLayout(head);
    all->addWidget(scroll, 1);
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

DecoderRack::~DecoderRack() = default;

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
    double largest = 1;
    for (const auto& each : ranked) {
        if (each.worst <= core::State::Ask) largest = qMax(largest, each.decoder->length.value());
    }
    if (largest <= 1) largest = 80;
    m_rows->fill(
        m_column, ranked,
        [this] {
            auto* row = new DecoderRow(m_page);
            connect(row, &QAbstractButton::clicked, this, [this, row] {
                row->setChecked(!row->isChecked());  // it is checked when it is fitted
                emit jotChosen(row->jot);
            });
            return row;
        },
        [&](DecoderRow& row, const core::decoder::RankedDecoder& each) {
            const bool fitted = facts.job.decoder && facts.job.decoder->part.id == each.decoder->id;
            row.show(each, fitted, qMax(largest, each.decoder->length.value()));
        });
}

}  // namespace glimmet::app
