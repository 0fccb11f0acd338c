#include "app/frame/reckoning_panel.h"

#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/work/stage_status.h"

#include <QAbstractTextDocumentLayout>
#include <QLabel>
#include <QPainter>
#include <QScrollBar>
#include <QTextDocument>
#include <QVBoxLayout>
#include <QtMath>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr int panelWidth = 366;
constexpr int leftMargin = 16;
constexpr int rightMargin = 14;
constexpr int rowWidth = panelWidth - 14 - leftMargin - rightMargin;  // the scroll bar takes 14

/// Words of the column's width that are laid out once: QLabel does it twice whenever a layout asks
/// how high they are, for widths that the column never has too, and once more for painting.
class Words : public QLabel {
public:
    explicit Words(QWidget* parent) : QLabel(parent) {
        m_laid.setDocumentMargin(0);
        m_laid.setUndoRedoEnabled(false);
    }
    int heightForWidth(int) const override { return qCeil(laid().size().height()) + 2 * edge(); }
    QSize sizeHint() const override { return {rowWidth, heightForWidth(rowWidth)}; }
    QSize minimumSizeHint() const override { return sizeHint(); }

protected:
    void paintEvent(QPaintEvent* event) override {
        if (hasSelectedText()) return QLabel::paintEvent(event);  // which knows what is selected
        QPainter painter(this);
        drawFrame(&painter);
        painter.translate(edge(), edge());
        QAbstractTextDocumentLayout::PaintContext context;
        context.palette.setColor(QPalette::Text, palette().color(foregroundRole()));
        laid().documentLayout()->draw(&painter, context);
    }

private:
    [[nodiscard]] int edge() const { return margin() + frameWidth(); }
    const QTextDocument& laid() const {
        if (m_text != text() || m_font != font() || m_edge != edge()) {
            // Each of these lays out what is still in it: only where it changes.
            if (m_font != font()) m_laid.setDefaultFont(font());
            if (m_edge != edge()) m_laid.setTextWidth(rowWidth - 2 * edge());
            m_text = text();
            m_font = font();
            m_edge = edge();
            if (textFormat() == Qt::RichText)
                m_laid.setHtml(m_text);
            else
                m_laid.setPlainText(m_text);
        }
        return m_laid;
    }
    mutable QTextDocument m_laid;  ///< of what follows
    mutable QString m_text;
    mutable QFont m_font;
    mutable int m_edge = -1;
};

QLabel* wordsLabel(const QFont& font, const char* name, QWidget* parent) {
    auto* label = new Words(parent);
    label->setObjectName(QString::fromLatin1(name));
    label->setWordWrap(true);
    label->setFont(font);
    label->setTextInteractionFlags(Qt::TextSelectableByMouse);
    return label;
}

void paint(QLabel* label, const QColor& colour) {
    if (label->palette().color(QPalette::WindowText) == colour) return;
    QPalette palette = label->palette();
    palette.setColor(QPalette::WindowText, colour);
    label->setPalette(palette);
}

/// "I = (…) / R", the same with values, and what comes of it.
QString derivation(const core::Figure& figure) {
    return u"%1 = %2<br>&nbsp;&nbsp;= %3<br>&nbsp;&nbsp;= <b>%4</b>"_s.arg(
        formulaRich(qs(figure.symbol)), formulaRich(qs(figure.formula)),
        formulaRich(qs(core::withValues(figure))), formulaRich(qs(core::shown(figure))));
}

}  // namespace

ReckoningPanel::ReckoningPanel(QWidget* parent) : QScrollArea(parent) {
    setObjectName(u"reckoning"_s);
    setAccessibleName(tr("Reckoning"));
    setFixedWidth(panelWidth);
    setWidgetResizable(true);
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* page = new QWidget;
    page->setObjectName(u"reckoningPage"_s);
    page->setFixedWidth(panelWidth - 14);
    setWidget(page);
    m_column = new QVBoxLayout(page);
    m_column->setContentsMargins(leftMargin, 12, rightMargin, 12);
    m_column->setSpacing(6);
    m_mark = new StateMark(core::State::Fine, page);
    m_sentence = wordsLabel(wordsFont(18), "sentence", page);
    m_caution = wordsLabel(wordsFont(13), "caution", page);
    m_caution->setFrameShape(QFrame::Box);
    m_caution->setMargin(6);
    m_column->addWidget(m_mark);
    m_column->addWidget(m_sentence);
    m_column->addWidget(m_caution);
    m_figures = section(tr("Figures"));
    m_because = section(tr("Because"));
    m_options = section(tr("Options"));
    m_others = section(tr("Also in this stage"));
    m_record = section(tr("Record"));
    m_ground = new QWidget(m_because.whole);
    m_groundColumn = new QVBoxLayout(m_ground);
    m_groundColumn->setContentsMargins(0, 0, 0, 0);
    m_groundColumn->setSpacing(3);
    m_because.whole->layout()->addWidget(m_ground);
    m_column->addStretch();
}

ReckoningPanel::Section ReckoningPanel::section(const QString& heading) {
    Section made;
    made.whole = new QWidget(widget());
    auto* column = new QVBoxLayout(made.whole);
    column->setContentsMargins(0, 2, 0, 0);
    column->setSpacing(3);
    made.heading = wordsLabel(wordsFont(13, true), "heading", made.whole);
    made.heading->setText(heading);
    column->addWidget(made.heading);
    made.rows = new QVBoxLayout;
    made.rows->setSpacing(3);
    column->addLayout(made.rows);
    m_column->addWidget(made.whole);
    return made;
}

void ReckoningPanel::colour() {
    for (const Section& each : {m_figures, m_because, m_options, m_others, m_record}) {
        paint(each.heading, theme().brass);
    }
    paint(m_caution, theme().close);
}

void ReckoningPanel::show(const core::Finding* spoken,
                          const std::vector<const core::Finding*>& others, const QString& empty,
                          bool readOnly) {
    colour();  // the theme may be another
    m_mark->setVisible(spoken);
    if (spoken) m_mark->setState(spoken->state, spoken->open);
    m_sentence->setText(unbroken(spoken ? said(spoken->sentence) : empty));
    const QString rule = spoken ? said(core::decidedBy(spoken->id)) : QString();
    m_sentence->setToolTip(
        rule.isEmpty() ? QString() : tr("<p>What decides this: %1</p>").arg(rule.toHtmlEscaped()));
    const bool caution = spoken && !spoken->caution.empty();
    m_caution->setVisible(caution);
    if (caution) m_caution->setText(said(spoken->caution));

    std::vector<const core::Figure*> figures;
    if (spoken) {
        for (const core::Figure& figure : spoken->figures) figures.push_back(&figure);
    }
    showFigures(m_figures, m_figureRows, figures);
    showBecause(spoken);

    const std::vector<core::Option> none;
    const std::vector<core::Option>& options = spoken ? spoken->options : none;
    // What is fine wants nothing done: then no option stands out.
    bool first = spoken && spoken->state != core::State::Fine;
    m_optionRows.fill(
        m_options.rows, options,
        [this] {
            auto* row = new OptionRow(m_options.whole);
            connect(row, &OptionRow::taken, this, &ReckoningPanel::optionTaken);
            connect(row, &OptionRow::tried, this, &ReckoningPanel::optionTried);
            return row;
        },
        [&](OptionRow& row, const core::Option& option) {
            const bool answer = option.kind == core::Option::Kind::Answer;
            row.show(option, first && !option.inPlace && !answer, readOnly, rowWidth);
            first = first && option.inPlace;
        });
    const bool question = !options.empty() && options.front().kind == core::Option::Kind::Answer;
    m_options.heading->setText(question ? tr("What did you find?") : tr("Options"));
    m_options.whole->setVisible(!options.empty());
    // Where something is to be done, what can be done comes before why.
    const bool optionsFirst = spoken && spoken->state != core::State::Fine;
    const int because = m_column->indexOf(m_because.whole);
    const int option = m_column->indexOf(m_options.whole);
    if (optionsFirst != (option < because)) {
        m_column->removeWidget(m_options.whole);
        const int at = m_column->indexOf(m_because.whole);
        m_column->insertWidget(optionsFirst ? at : at + 1, m_options.whole);
    }

    m_otherRows.fill(
        m_others.rows, others,
        [this] {
            auto* row = new FindingRow(m_others.whole);
            connect(row, &FindingRow::chosen, this, &ReckoningPanel::findingChosen);
            return row;
        },
        [](FindingRow& row, const core::Finding* finding) { row.show(*finding, rowWidth); });
    m_others.whole->setVisible(!others.empty());
}

void ReckoningPanel::showRecord(const std::vector<core::Text>& lines) {
    m_recordRows.fill(
        m_record.rows, lines,
        [this] {
            QLabel* label = wordsLabel(wordsFont(13), "", m_record.whole);
            label->setTextFormat(Qt::PlainText);  // notes are the user's words
            return label;
        },
        [](QLabel& label, const core::Text& line) {
            label.setObjectName(u"recordLine"_s);
            label.setText(said(line));
        });
    m_record.whole->setVisible(!lines.empty());
    // Now, from the inside out, not after the first painting: else it is painted twice.
    for (const Section& each : {m_figures, m_because, m_options, m_others, m_record})
        each.whole->layout()->activate();
    m_column->activate();
}

void ReckoningPanel::showFigures(Section& section, Rows<FigureRow>& rows,
                                 const std::vector<const core::Figure*>& figures) {
    rows.fill(
        section.rows, figures,
        [&] {
            auto* row = new FigureRow(section.whole);
            connect(row, &FigureRow::chosen, this, &ReckoningPanel::figureChosen);
            return row;
        },
        [](FigureRow& row, const core::Figure* figure) { row.show(*figure, rowWidth); });
    section.whole->setVisible(!figures.empty());
}

void ReckoningPanel::showBecause(const core::Finding* finding) {
    std::vector<const core::Figure*> derived;
    std::vector<const core::Figure*> ground;
    for (const core::Figure* figure :
         finding ? core::allFigures(*finding) : std::vector<const core::Figure*>{}) {
        const bool top = std::any_of(finding->figures.begin(), finding->figures.end(),
                                     [&](const core::Figure& f) { return &f == figure; });
        if (!figure->formula.empty())
            derived.push_back(figure);
        else if (!top)
            ground.push_back(figure);
    }
    m_derivations.fill(
        m_because.rows, derived,
        [this] {
            QLabel* label = wordsLabel(figuresFont(13), "", m_because.whole);
            label->setTextFormat(Qt::RichText);
            return label;
        },
        [](QLabel& label, const core::Figure* figure) {
            label.setObjectName(u"because-"_s + qs(figure->symbol));
            label.setText(derivation(*figure));
        });
    m_groundRows.fill(
        m_groundColumn, ground,
        [this] {
            auto* row = new FigureRow(m_ground);
            connect(row, &FigureRow::chosen, this, &ReckoningPanel::figureChosen);
            return row;
        },
        [](FigureRow& row, const core::Figure* figure) { row.show(*figure, rowWidth); });
    m_because.whole->setVisible(!derived.empty());
    m_ground->setVisible(!ground.empty());
}

}  // namespace glimmet::app
