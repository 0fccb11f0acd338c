#include "app/frame/reckoning_rows.h"

#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>
#include <QStyle>

#include <map>
#include <tuple>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr int margin = 8;
constexpr int buttonWidth = 92;

/// Measured once: where a row comes in, those below it say what another row said before.
int wrappedHeight(const QFont& font, const QString& words, int width) {
    static std::map<std::tuple<int, int, int, QString>, int> known;
    constexpr std::size_t most = 1000;
    if (known.size() >= most) known.clear();
    const auto [at, unknown] =
        known.try_emplace({font.pixelSize(), font.weight(), width, words}, 0);
    if (unknown) {
        at->second = QFontMetrics(font)
                         .boundingRect(QRect(0, 0, qMax(20, width), 10000), Qt::TextWordWrap, words)
                         .height();
    }
    return at->second;
}

void drawWrapped(QPainter& painter, const QRect& where, const QFont& font, const QColor& colour,
                 const QString& words) {
    painter.setFont(font);
    painter.setPen(colour);
    painter.drawText(where, Qt::TextWordWrap | Qt::AlignLeft | Qt::AlignTop, words);
}

void drawFrame(QPainter& painter, const QWidget& row) {
    const Theme& look = theme();
    painter.setBrush(look.paperRaised);
    const bool stressed = row.hasFocus() || row.underMouse();
    painter.setPen(QPen(stressed ? look.brass : look.paperEdge, row.hasFocus() ? 2 : 1));
    painter.setRenderHint(QPainter::Antialiasing);
    painter.drawRoundedRect(QRectF(row.rect()).adjusted(1, 1, -1, -1), 3, 3);
}

QFont nameFont() { return wordsFont(14); }
QFont smallFont() { return wordsFont(13); }
QFont valueFont() { return figuresFont(15, true); }

}  // namespace

void FigureRow::show(const core::Figure& figure, int width) {
    setObjectName(u"figure-"_s + qs(figure.symbol));
    const QString jot = qs(figure.jot);
    setToolTip(
        figureTip(figure) +
        (jot.isEmpty() ? QString() : u"<br><i>%1</i>"_s.arg(tr("Press to measure or change it."))));
    const QString name = unbroken(said(figure.name)), value = qs(core::shown(figure));
    const QString basis = said(core::words(figure.basis));
    const QString words = tr("%1: %2, %3").arg(name, value, basis);
    if (words == accessibleName() && jot == m_jot && figure.basis.kind == m_kind) return;
    disconnect(this, &QAbstractButton::clicked, nullptr, nullptr);
    m_name = name;
    m_value = value;
    m_kind = figure.basis.kind;
    m_jot = jot;
    // What is computed says so by its formula; a second line for the word would be noise.
    m_basis = m_kind == core::Basis::Kind::Computed ? QString() : unbroken(basis);
    setAccessibleName(words);
    setFocusPolicy(m_jot.isEmpty() ? Qt::NoFocus : Qt::StrongFocus);
    setCursor(m_jot.isEmpty() ? Qt::ArrowCursor : Qt::PointingHandCursor);
    if (!m_jot.isEmpty()) {
        connect(this, &QAbstractButton::clicked, this, [this] { emit chosen(m_jot); });
    }
    const int inner = width - 2 * margin;
    const int valueWidth = QFontMetrics(valueFont()).horizontalAdvance(m_value) + 10;
    m_nameHeight = wrappedHeight(nameFont(), m_name, inner - valueWidth);
    const int basisHeight = m_basis.isEmpty() ? 0 : wrappedHeight(smallFont(), m_basis, inner);
    m_size = {width, m_nameHeight + basisHeight + 8};
    setFixedHeight(m_size.height());
    update();
}

void FigureRow::paintEvent(QPaintEvent*) {
    const Theme& look = theme();
    QPainter painter(this);
    if (!m_jot.isEmpty()) drawFrame(painter, *this);
    const QRect inner = rect().adjusted(margin, 4, -margin, -4);
    const int valueWidth = QFontMetrics(valueFont()).horizontalAdvance(m_value) + 10;
    drawWrapped(painter, inner.adjusted(0, 0, -valueWidth, 0), nameFont(), look.ink, m_name);
    painter.setFont(valueFont());
    painter.drawText(inner, Qt::AlignRight | Qt::AlignTop, m_value);
    const bool open = m_kind == core::Basis::Kind::Assumed || m_kind == core::Basis::Kind::Missing;
    drawWrapped(painter, inner.adjusted(0, m_nameHeight, 0, 0), smallFont(),
                open ? look.ask : look.inkSoft, m_basis);
}

OptionRow::OptionRow(QWidget* parent)
    : QWidget(parent), m_use(new QPushButton(tr("Use this"), this)) {
    connect(m_use, &QPushButton::clicked, this, [this] { emit taken(m_jot); });
    m_use->installEventFilter(this);
    setToolTip(tr("Hold the mouse here, or B on its button, to see it in the picture"));
}

void OptionRow::hold(bool held) {
    if (held == m_held || (held && m_inPlace)) return;
    m_held = held;
    emit tried(held ? m_jot : QString());
}
void OptionRow::mousePressEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton) hold(true);
}
void OptionRow::mouseReleaseEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton) hold(false);
}
bool OptionRow::eventFilter(QObject* watched, QEvent* event) {
    const auto type = event->type();
    if (type == QEvent::KeyPress || type == QEvent::KeyRelease) {
        const auto* key = static_cast<QKeyEvent*>(event);
        if (key->key() != Qt::Key_B || key->modifiers() != Qt::NoModifier) return false;
        if (!key->isAutoRepeat()) hold(type == QEvent::KeyPress);
        return true;
    }
    // Whoever takes the keyboard away lets go as well.
    if (type == QEvent::FocusOut) hold(false);
    return QWidget::eventFilter(watched, event);
}

void OptionRow::show(const core::Option& option, bool first, bool readOnly, int width) {
    m_what = unbroken(said(option.what));
    m_effect = unbroken(said(option.effect));
    // What is said anew of the same option leaves it held; another one was not.
    if (m_jot != qs(option.jot)) hold(false);
    m_jot = qs(option.jot);
    m_state = option.state;
    m_inPlace = option.inPlace;
    setAccessibleName(tr("%1, %2: %3").arg(m_what, stateWord(m_state), m_effect));
    m_use->setObjectName(u"use-"_s + m_jot);
    const bool answer = option.kind == core::Option::Kind::Answer;
    m_use->setText(answer ? tr("It is so") : tr("Use this"));
    m_use->setVisible(!m_inPlace);
    m_use->setEnabled(!readOnly);
    m_use->setAccessibleName(answer ? tr("It is so: %1, then %2").arg(m_what, m_effect)
                                    : tr("Use %1: %2").arg(m_what, m_effect));
    m_use->setToolTip(tr("The same as typing: %1").arg(m_jot));
    if (m_use->property("main").toBool() != first) {
        m_use->setProperty("main", first);
        m_use->style()->unpolish(m_use);
        m_use->style()->polish(m_use);
    }
    const int inner = width - margin - buttonWidth - 10;
    m_whatHeight = wrappedHeight(wordsFont(14, true), m_what, inner);
    m_size = {width,
              qMax(44, 18 + m_whatHeight + wrappedHeight(smallFont(), m_effect, inner) + 10)};
    setFixedHeight(m_size.height());
    m_use->setGeometry(width - buttonWidth, (m_size.height() - 36) / 2, buttonWidth, 36);
    update();
}

void OptionRow::paintEvent(QPaintEvent*) {
    const Theme& look = theme();
    QPainter painter(this);
    paintMark(painter, QRectF(margin, 3, 26, 13), m_state);
    painter.setFont(wordsFont(13, true));
    painter.setPen(look.of(m_state));
    painter.drawText(QRect(margin + 32, 0, 120, 19), Qt::AlignVCenter, stateWord(m_state));
    const QRect inner(margin, 18, width() - margin - buttonWidth - 10, height() - 18);
    drawWrapped(painter, inner, wordsFont(14, true), look.ink, m_what);
    drawWrapped(painter, inner.adjusted(0, m_whatHeight, 0, 0), smallFont(), look.inkSoft,
                m_effect);
    if (m_inPlace) {
        painter.setFont(wordsFont(13, true));
        painter.setPen(look.fine);
        painter.drawText(rect(), Qt::AlignRight | Qt::AlignVCenter, tr("in place"));
    }
}

FindingRow::FindingRow(QWidget* parent) : QAbstractButton(parent) {
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
    connect(this, &QAbstractButton::clicked, this, [this] { emit chosen(m_id); });
}

void FindingRow::show(const core::Finding& finding, int width) {
    m_id = qs(finding.id);
    setObjectName(u"finding-"_s + m_id);
    const QString sentence = unbroken(said(finding.sentence));
    if (sentence == m_sentence && finding.state == m_state && finding.open == m_open) return;
    m_state = finding.state;
    m_open = finding.open;
    m_sentence = sentence;
    setAccessibleName(tr("%1: %2").arg(stateWord(m_state, m_open), m_sentence));
    m_size = {width, wrappedHeight(smallFont(), m_sentence, width - 2 * margin) + 32};
    setFixedHeight(m_size.height());
    update();
}

void FindingRow::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    drawFrame(painter, *this);
    const QRectF mark(margin, 7, 26, 13);
    m_open ? paintOpenMark(painter, mark) : paintMark(painter, mark, m_state);
    painter.setFont(wordsFont(13, true));
    painter.setPen(m_open ? theme().inkSoft : theme().of(m_state));
    painter.drawText(QRect(margin + 32, 4, 120, 19), Qt::AlignVCenter, stateWord(m_state, m_open));
    drawWrapped(painter, rect().adjusted(margin, 24, -margin, 0), smallFont(), theme().ink,
                m_sentence);
}

}  // namespace glimmet::app
