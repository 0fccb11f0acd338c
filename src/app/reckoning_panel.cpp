#include "app/reckoning_panel.h"

#include "app/state_mark.h"
#include "app/theme.h"
#include "app/words.h"
#include "core/quantity/format.h"

#include <QGridLayout>
#include <QLabel>
#include <QPushButton>
#include <QScrollBar>
#include <QVBoxLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr int panelWidth = 366;

QLabel* words(const QString& text, const QFont& font, const QColor& colour, QWidget* parent) {
    auto* label = new QLabel(text, parent);
    label->setWordWrap(true);
    label->setFont(font);
    label->setStyleSheet(u"color: %1; font-family: \"%2\"; font-size: %3px; font-weight: %4;"_s
                             .arg(colour.name(), font.family())
                             .arg(font.pixelSize())
                             .arg(font.bold() ? u"bold"_s : u"normal"_s));
    label->setTextInteractionFlags(Qt::TextSelectableByMouse);
    return label;
}

QColor basisColour(core::Basis::Kind kind) {
    const bool open = kind == core::Basis::Kind::Assumed || kind == core::Basis::Kind::Missing;
    return open ? theme().ask : theme().inkSoft;
}

/// "= (16.4 V − 1.2 V − 0.4 V) / 10.9 Ω = 1.36 A", with a number for what no formula says.
QString derivation(const core::Figure& figure) {
    return u"%1 = %2<br>&nbsp;&nbsp;= %3<br>&nbsp;&nbsp;= <b>%4</b>"_s.arg(
        formulaRich(qs(figure.symbol)), formulaRich(qs(figure.formula)),
        formulaRich(qs(core::withValues(figure))), qs(core::shown(figure)));
}

}  // namespace

ReckoningPanel::ReckoningPanel(QWidget* parent) : QScrollArea(parent) {
    setObjectName(u"reckoning"_s);
    setAccessibleName(tr("Reckoning"));
    setFixedWidth(panelWidth);
    setWidgetResizable(true);
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
}

void ReckoningPanel::show(const core::Finding* spoken,
                          const std::vector<const core::Finding*>& others, const QString& empty,
                          bool readOnly) {
    const int scrolled = verticalScrollBar()->value();
    auto* page = new QWidget;
    page->setObjectName(u"reckoningPage"_s);
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(16, 12, 14, 12);
    column->setSpacing(4);
    if (!spoken) {
        column->addWidget(words(empty, wordsFont(17), theme().ink, page));
    } else {
        column->addWidget(new StateMark(spoken->state, page));
        auto* sentence = words(said(spoken->sentence), wordsFont(18), theme().ink, page);
        sentence->setObjectName(u"sentence"_s);
        column->addWidget(sentence);
        if (!spoken->caution.empty()) {
            auto* caution = words(said(spoken->caution), wordsFont(13), theme().ink, page);
            caution->setObjectName(u"caution"_s);
            caution->setStyleSheet(
                caution->styleSheet() +
                u"border-left: 4px solid %1; padding-left: 8px;"_s.arg(theme().close.name()));
            column->addWidget(caution);
        }
        if (!spoken->figures.empty()) {
            addHeading(column, tr("Figures"));
            for (const core::Figure& figure : spoken->figures) addFigure(column, figure);
        }
        addBecause(column, *spoken);
        if (!spoken->options.empty()) {
            addHeading(column, tr("Options"));
            bool first = true;
            for (const core::Option& option : spoken->options) {
                addOption(column, option, first && !option.inPlace, readOnly);
                first = first && option.inPlace;
            }
        }
    }
    if (!others.empty()) {
        addHeading(column, tr("Also in this stage"));
        for (const core::Finding* other : others) addOther(column, *other);
    }
    column->addStretch();
    setWidget(page);  // deletes the page before
    page->setFixedWidth(panelWidth - 14);
    verticalScrollBar()->setValue(scrolled);
}

void ReckoningPanel::addHeading(QVBoxLayout* column, const QString& text) {
    column->addSpacing(4);
    auto* heading = words(text, wordsFont(13, true), theme().brass, column->parentWidget());
    column->addWidget(heading);
}

void ReckoningPanel::addFigure(QVBoxLayout* column, const core::Figure& figure) {
    // A row that can be pressed where the figure can be measured or entered, else plain words.
    auto* row = new QPushButton(column->parentWidget());
    row->setObjectName(u"figure-"_s + qs(figure.symbol));
    const QString jot = qs(figure.jot);
    const QString basis = said(core::words(figure.basis));
    const QString name = said(figure.name);
    const QString value = qs(core::shown(figure));
    row->setAccessibleName(tr("%1: %2, %3").arg(name, value, basis));
    row->setToolTip(
        figureTip(figure) +
        (jot.isEmpty() ? QString() : u"<br><i>%1</i>"_s.arg(tr("Press to measure or change it."))));
    row->setFlat(jot.isEmpty());
    row->setStyleSheet(
        u"QPushButton { text-align: left; padding: 3px 6px; border: 1px solid %1; "
        "background: %2; } QPushButton:hover, QPushButton:focus { border-color: %3; }"_s.arg(
            jot.isEmpty() ? u"transparent"_s : theme().paperEdge.name(),
            jot.isEmpty() ? u"transparent"_s : theme().paperRaised.name(), theme().brass.name()));
    auto* grid = new QGridLayout(row);
    grid->setContentsMargins(8, 2, 8, 2);
    grid->setVerticalSpacing(0);
    auto* nameLabel = words(name, wordsFont(14), theme().ink, row);
    auto* valueLabel = words(value, figuresFont(15, true), theme().ink, row);
    valueLabel->setWordWrap(false);
    valueLabel->setAlignment(Qt::AlignRight | Qt::AlignTop);
    auto* basisLabel = words(basis, wordsFont(13), basisColour(figure.basis.kind), row);
    for (QLabel* label : {nameLabel, valueLabel, basisLabel}) {
        label->setAttribute(Qt::WA_TransparentForMouseEvents);
        label->setTextInteractionFlags(Qt::NoTextInteraction);
    }
    grid->addWidget(nameLabel, 0, 0);
    grid->addWidget(valueLabel, 0, 1);
    // What is computed says so by its formula below; a second line for the word would be noise.
    const bool plainly = figure.basis.kind == core::Basis::Kind::Computed;
    basisLabel->setVisible(!plainly);
    if (!plainly) grid->addWidget(basisLabel, 1, 0, 1, 2);
    grid->setColumnStretch(0, 1);
    // The row is as high as its words at this width; a button would only look at its own text.
    const int width = panelWidth - 14 - 30 - 16;
    const int valueWidth = valueLabel->sizeHint().width() + 6;
    row->setMinimumHeight(nameLabel->heightForWidth(width - valueWidth) +
                          (plainly ? 0 : basisLabel->heightForWidth(width)) + 6);
    if (jot.isEmpty())
        row->setFocusPolicy(Qt::NoFocus);
    else
        connect(row, &QPushButton::clicked, this, [this, jot] { emit figureChosen(jot); });
    column->addWidget(row);
}

void ReckoningPanel::addBecause(QVBoxLayout* column, const core::Finding& finding) {
    std::vector<const core::Figure*> derived;
    std::vector<const core::Figure*> ground;
    for (const core::Figure* figure : core::allFigures(finding)) {
        if (!figure->formula.empty()) derived.push_back(figure);
        const bool top = std::any_of(finding.figures.begin(), finding.figures.end(),
                                     [&](const core::Figure& f) { return &f == figure; });
        if (figure->formula.empty() && !top) ground.push_back(figure);
    }
    if (derived.empty()) return;
    addHeading(column, tr("Because"));
    for (const core::Figure* figure : derived) {
        auto* line =
            words(derivation(*figure), figuresFont(13), theme().ink, column->parentWidget());
        line->setTextFormat(Qt::RichText);
        line->setObjectName(u"because-"_s + qs(figure->symbol));
        column->addWidget(line);
    }
    for (const core::Figure* figure : ground) addFigure(column, *figure);
}

void ReckoningPanel::addOption(QVBoxLayout* column, const core::Option& option, bool first,
                               bool readOnly) {
    auto* row = new QWidget(column->parentWidget());
    auto* grid = new QGridLayout(row);
    grid->setContentsMargins(8, 2, 0, 4);
    grid->setVerticalSpacing(0);
    grid->setHorizontalSpacing(8);
    auto* mark = new StateMark(option.state, row);
    auto* what = words(said(option.what), wordsFont(14, true), theme().ink, row);
    auto* effect = words(said(option.effect), wordsFont(13), theme().inkSoft, row);
    grid->addWidget(mark, 0, 0);
    grid->addWidget(what, 1, 0);
    grid->addWidget(effect, 2, 0);
    grid->setColumnStretch(0, 1);
    if (option.inPlace) {
        auto* there = words(tr("in place"), wordsFont(13, true), theme().fine, row);
        there->setWordWrap(false);
        grid->addWidget(there, 0, 1, 3, 1, Qt::AlignRight | Qt::AlignVCenter);
    } else {
        auto* use = new QPushButton(tr("Use this"), row);
        use->setObjectName(u"use-"_s + qs(option.jot));
        use->setProperty("main", first);
        use->setAccessibleName(tr("Use %1: %2").arg(said(option.what), said(option.effect)));
        use->setToolTip(tr("The same as typing: %1").arg(qs(option.jot)));
        use->setEnabled(!readOnly);
        grid->addWidget(use, 0, 1, 3, 1, Qt::AlignRight | Qt::AlignVCenter);
        const QString jot = qs(option.jot);
        // Queued: taking the option replaces this page, button and all.
        connect(
            use, &QPushButton::clicked, this, [this, jot] { emit optionTaken(jot); },
            Qt::QueuedConnection);
    }
    column->addWidget(row);
}

void ReckoningPanel::addOther(QVBoxLayout* column, const core::Finding& finding) {
    auto* row = new QPushButton(column->parentWidget());
    row->setObjectName(u"finding-"_s + qs(finding.id));
    row->setAccessibleName(tr("%1: %2").arg(stateWord(finding.state), said(finding.sentence)));
    auto* grid = new QGridLayout(row);
    grid->setContentsMargins(8, 5, 8, 5);
    grid->setHorizontalSpacing(8);
    auto* mark = new StateMark(finding.state, row);
    auto* sentence = words(said(finding.sentence), wordsFont(13), theme().ink, row);
    mark->setAttribute(Qt::WA_TransparentForMouseEvents);
    sentence->setAttribute(Qt::WA_TransparentForMouseEvents);
    sentence->setTextInteractionFlags(Qt::NoTextInteraction);
    grid->addWidget(mark, 0, 0, Qt::AlignTop);
    grid->addWidget(sentence, 1, 0);
    grid->setColumnStretch(0, 1);
    row->setMinimumHeight(sentence->heightForWidth(panelWidth - 60) + mark->sizeHint().height() +
                          18);
    const QString id = qs(finding.id);
    connect(
        row, &QPushButton::clicked, this, [this, id] { emit findingChosen(id); },
        Qt::QueuedConnection);
    column->addWidget(row);
}

}  // namespace glimmet::app
