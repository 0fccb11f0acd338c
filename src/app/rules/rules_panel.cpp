#include "app/rules/rules_panel.h"

#include "app/rules/rules_view.h"
#include "app/theme/scrolled_column.h"
#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QAbstractButton>
#include <QCoreApplication>
#include <QGridLayout>
#include <QPainter>

using namespace Qt::StringLiterals;

namespace glimmet::app {

StagePanel* rulesPanel(QWidget* parent) { return new RulesPanel(parent); }

/// A rule: its name, its value, and a brass edge where it is not the usual one.
class RuleButton : public QAbstractButton {
public:
    explicit RuleButton(QWidget* parent) : QAbstractButton(parent) {
        setCheckable(true);
        setFixedHeight(40);
        setCursor(Qt::PointingHandCursor);
    }
    void show(const core::rules::Rule& rule, bool chosen) {
        m_title = QCoreApplication::translate("core", rule.title);
        m_value = said(rule.value);
        m_usual = rule.usual;
        id = rule.id;
        setObjectName(u"rule-"_s + QLatin1String(rule.id));
        setAccessibleName(m_usual ? RulesPanel::tr("%1: %2, as usual").arg(m_title, m_value)
                                  : RulesPanel::tr("%1: %2, changed").arg(m_title, m_value));
        setToolTip(accessibleName());
        setChecked(chosen);
        update();
    }
    std::string id;

protected:
    void paintEvent(QPaintEvent*) override {
        const Theme& look = theme();
        QPainter painter(this);
        paintRowGround(painter, *this);
        if (!m_usual) painter.fillRect(QRect(0, 4, 4, height() - 8), look.brass);
        painter.setFont(wordsFont(14, isChecked()));
        painter.setPen(look.ink);
        painter.drawText(rect().adjusted(14, 0, -120, 0), Qt::AlignVCenter | Qt::AlignLeft,
                         m_title);
        painter.setFont(figuresFont(15, true));
        painter.drawText(rect().adjusted(0, 0, -14, 0), Qt::AlignVCenter | Qt::AlignRight, m_value);
    }

private:
    QString m_title, m_value;
    bool m_usual = true;
};

RulesPanel::RulesPanel(QWidget* parent) : StagePanel(parent) {
    setObjectName(u"rulesPanel"_s);
    setAccessibleName(tr("The rules of the house"));
    m_column = scrolledColumn(this);
    for (const core::rules::Rule& rule : core::rules::rulesOf({})) {
        auto* button = new RuleButton(m_column->parentWidget());
        button->id = rule.id;
        connect(button, &QAbstractButton::clicked, this,
                [this, button] { emit subjectChosen(button->id); });
        m_column->addWidget(button);
        m_buttons.push_back(button);
    }
}

RulesPanel::~RulesPanel() = default;

void RulesPanel::show(const core::JobAnalysis&, const std::vector<core::Finding>&,
                      const std::string&) {}

void RulesPanel::showWorkshop(const core::WorkshopFacts& facts, const std::string& subject) {
    const auto rules = core::rules::rulesOf(facts.workshop);
    for (std::size_t i = 0; i < m_buttons.size(); ++i) {
        m_buttons[i]->show(rules[i], rules[i].id == subject);
    }
}

}  // namespace glimmet::app
