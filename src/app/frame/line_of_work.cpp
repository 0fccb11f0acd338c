#include "app/frame/line_of_work.h"

#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QAbstractButton>
#include <QPainter>
#include <QVBoxLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {
QString kindWord(core::StageStatus::Kind kind) {
    switch (kind) {
        case core::StageStatus::Kind::Done:
            return LineOfWork::tr("done");
        case core::StageStatus::Kind::Here:
            return LineOfWork::tr("here");
        case core::StageStatus::Kind::Ahead:
            return LineOfWork::tr("ahead");
        case core::StageStatus::Kind::Blocked:
            return LineOfWork::tr("blocked");
        case core::StageStatus::Kind::Waiting:
            break;
    }
    return LineOfWork::tr("waiting");
}

constexpr int closedHeight = 34;
constexpr int openHeight = 78;  // two lines of why below the name
constexpr int left = 34;
}  // namespace

/// One stage: a station on the line. All show their name and how they stand on one line, so that
/// thirteen have room on a small screen; the one that is open says why.
class StageButton : public QAbstractButton {
public:
    explicit StageButton(QWidget* parent) : QAbstractButton(parent) {
        setCheckable(true);
        setFocusPolicy(Qt::StrongFocus);
        setCursor(Qt::PointingHandCursor);
    }
    void show(const core::StageStatus& standing, bool open) {
        const QString words =
            LineOfWork::tr("%1, %2: %3")
                .arg(stageTitle(standing.stage), kindWord(standing.kind), said(standing.why));
        // Not isChecked(): a press has turned that already.
        const bool same =
            words == accessibleName() && open == m_open && standing.worst == m_standing.worst;
        m_standing = standing;
        m_open = open;
        setChecked(open);
        if (same) return;
        setObjectName(u"stage-"_s + qs(std::string(standing.stage)));
        setFixedHeight(open ? openHeight : closedHeight);
        setAccessibleName(words);
        setToolTip(words);
        update();
    }
    [[nodiscard]] std::string_view stage() const { return m_standing.stage; }

protected:
    void paintEvent(QPaintEvent*) override {
        const Theme& look = theme();
        const bool ahead = m_standing.kind == core::StageStatus::Kind::Ahead;
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        if (isChecked()) {
            painter.fillRect(rect().adjusted(0, 2, 0, -2), look.paperRaised);
            painter.fillRect(QRect(0, 2, 4, height() - 4), look.brass);
        }
        // The line itself, with a sleeper across where this stage stands.
        const int middle = closedHeight / 2;
        painter.setPen(QPen(look.paperEdge, 3));
        painter.drawLine(18, 0, 18, height());
        painter.setPen(
            QPen(isChecked() ? look.brass : look.inkSoft, 5, Qt::SolidLine, Qt::FlatCap));
        painter.drawLine(11, middle, 25, middle);
        painter.setFont(wordsFont(15, isChecked()));
        painter.setPen(ahead ? look.inkSoft : look.ink);
        painter.drawText(QRect(left, 0, width() - left - 40, closedHeight), Qt::AlignVCenter,
                         stageTitle(m_standing.stage));
        const QRectF mark(width() - 36, middle - 6.5, 26, 13);
        m_standing.open ? paintOpenMark(painter, mark) : paintMark(painter, mark, m_standing.worst);
        if (isChecked()) {
            painter.setFont(wordsFont(13));
            painter.setPen(m_standing.open ? look.inkSoft : look.of(m_standing.worst));
            painter.drawText(QRect(left, closedHeight - 4, width() - left - 6, 38),
                             Qt::TextWordWrap | Qt::AlignTop, said(m_standing.why));
        }
        if (hasFocus()) {
            painter.setPen(QPen(look.brass, 1, Qt::DotLine));
            painter.drawRect(rect().adjusted(6, 4, -4, -5));
        }
    }

private:
    core::StageStatus m_standing;
    bool m_open = false;
};

LineOfWork::LineOfWork(QWidget* parent) : QWidget(parent), m_column(new QVBoxLayout(this)) {
    setObjectName(u"lineOfWork"_s);
    setAccessibleName(tr("Line of work"));
    setFixedWidth(158);
    m_column->setContentsMargins(0, 6, 0, 6);
    m_column->setSpacing(0);
    m_column->addStretch();
}

void LineOfWork::show(const std::vector<core::StageStatus>& standings, std::string_view current) {
    while (m_buttons.size() < standings.size()) {
        auto* button = new StageButton(this);
        m_column->insertWidget(static_cast<int>(m_buttons.size()), button);
        m_buttons.push_back(button);
        connect(button, &QAbstractButton::clicked, this,
                [this, button] { emit stageChosen(button->stage()); });
    }
    for (std::size_t i = 0; i < m_buttons.size(); ++i) {
        m_buttons[i]->setVisible(i < standings.size());
        if (i >= standings.size()) continue;
        m_buttons[i]->show(standings[i], standings[i].stage == current);
    }
}

}  // namespace glimmet::app
