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
QString kindWord(core::StageStanding::Kind kind) {
    switch (kind) {
        case core::StageStanding::Kind::Done:
            return LineOfWork::tr("done");
        case core::StageStanding::Kind::Here:
            return LineOfWork::tr("here");
        case core::StageStanding::Kind::Ahead:
            return LineOfWork::tr("ahead");
        case core::StageStanding::Kind::Blocked:
            return LineOfWork::tr("blocked");
        case core::StageStanding::Kind::Waiting:
            break;
    }
    return LineOfWork::tr("waiting");
}
}  // namespace

/// One stage: a station on the line, with its name, how it stands and why.
class StageButton : public QAbstractButton {
public:
    explicit StageButton(QWidget* parent) : QAbstractButton(parent) {
        setCheckable(true);
        setFocusPolicy(Qt::StrongFocus);
        setMinimumHeight(132);
        setCursor(Qt::PointingHandCursor);
    }
    void show(const core::StageStanding& standing) {
        m_standing = standing;
        setObjectName(u"stage-"_s + qs(std::string(standing.stage)));
        const QString words =
            LineOfWork::tr("%1, %2: %3")
                .arg(stageTitle(m_standing.stage), kindWord(standing.kind), said(standing.why));
        setAccessibleName(words);
        setToolTip(words);
        update();
    }

    [[nodiscard]] std::string_view stage() const { return m_standing.stage; }

protected:
    void paintEvent(QPaintEvent*) override {
        const Theme& look = theme();
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        if (isChecked()) painter.fillRect(rect().adjusted(0, 2, 0, -2), look.paperRaised);
        if (isChecked()) painter.fillRect(QRect(0, 2, 4, height() - 4), look.brass);
        // The line itself, with a sleeper across where this stage stands.
        painter.setPen(QPen(look.paperEdge, 3));
        painter.drawLine(18, 0, 18, height());
        painter.setPen(
            QPen(isChecked() ? look.brass : look.inkSoft, 5, Qt::SolidLine, Qt::FlatCap));
        painter.drawLine(11, 24, 25, 24);
        painter.setFont(wordsFont(16, isChecked()));
        painter.setPen(look.ink);
        const int left = 34;
        painter.drawText(QRect(left, 10, width() - left, 26), Qt::AlignVCenter,
                         stageTitle(m_standing.stage));
        paintMark(painter, QRectF(left, 41, 26, 13), m_standing.worst);
        painter.setFont(wordsFont(13, true));
        painter.setPen(look.of(m_standing.worst));
        painter.drawText(QRect(left + 32, 37, width() - left - 32, 20), Qt::AlignVCenter,
                         kindWord(m_standing.kind));
        painter.setFont(wordsFont(13));
        painter.setPen(look.inkSoft);
        painter.drawText(QRect(left, 60, width() - left - 6, height() - 62),
                         Qt::TextWordWrap | Qt::AlignTop, said(m_standing.why));
        if (hasFocus()) {
            painter.setPen(QPen(look.brass, 1, Qt::DotLine));
            painter.drawRect(rect().adjusted(6, 4, -4, -5));
        }
    }

private:
    core::StageStanding m_standing;
};

LineOfWork::LineOfWork(QWidget* parent) : QWidget(parent), m_column(new QVBoxLayout(this)) {
    setObjectName(u"lineOfWork"_s);
    setAccessibleName(tr("Line of work"));
    setFixedWidth(158);
    m_column->setContentsMargins(0, 6, 0, 6);
    m_column->setSpacing(0);
    m_column->addStretch();
}

void LineOfWork::show(const std::vector<core::StageStanding>& standings, std::string_view current) {
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
        m_buttons[i]->show(standings[i]);
        m_buttons[i]->setChecked(standings[i].stage == current);
    }
}

}  // namespace glimmet::app
