#include "app/theme/likely_lines.h"

#include <QCoreApplication>
#include <QMenu>

using namespace Qt::StringLiterals;

namespace glimmet::app {

void offerLikely(QWidget* over, const QPoint& where, const QString& about,
                 const std::vector<LikelyLine>& lines,
                 const std::function<void(const QString&)>& chosen) {
    if (lines.empty()) return;
    auto* menu = new QMenu(over);
    menu->setObjectName(u"likelyLines"_s);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->setAccessibleName(about);
    for (const LikelyLine& line : lines) {
        QAction* action = menu->addAction(line.words);
        action->setToolTip(
            QCoreApplication::translate("picture", "The same as typing: %1").arg(line.jot));
        QObject::connect(action, &QAction::triggered, over,
                         [chosen, jot = line.jot] { chosen(jot); });
    }
    menu->popup(where);
}

}  // namespace glimmet::app
