#include "app/hand_over/hand_over_view.h"
#include "app/pages/pages_panel.h"
#include "app/theme/words.h"
#include "core/analysis/unanswered.h"
#include "core/work/hand_over/sheets.h"

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

QString handOverTr(const char* words) {
    return QCoreApplication::translate("handOverPanel", words);
}

TableContent openContent(const core::JobAnalysis& facts) {
    TableContent made;
    made.empty = handOverTr("Everything is answered.");
    made.columns = {
        {.title = handOverTr("not answered yet"), .least = 300, .share = 1.5, .wraps = true},
        {.title = handOverTr("waived"), .least = 180, .share = 0.6, .wraps = true}};
    for (const core::Unanswered& each : core::unanswered(facts)) {
        TableRow row;
        if (!each.why.empty()) row.mark = core::State::Fine;
        row.cells = {
            {.words = said(each.words), .strong = each.asked, .figures = false},
            {.words = each.why.empty() ? handOverTr("open") : qs(each.why), .figures = false}};
        row.line = each.id.starts_with("complaint:") ? u"answer %1 "_s.arg(qs(each.name))
                                                     : u"waive %1 "_s.arg(qs(each.name));
        made.rows.push_back(std::move(row));
    }
    return made;
}

}  // namespace

StagePanel* handOverPanel(QWidget* parent) {
    auto* panel = new PagesPanel(u"handOverPanel"_s, parent);
    panel->addTable(u"openTable"_s, handOverTr("unanswered"),
                    handOverTr("What is not answered, done or seen yet"), openContent);
    panel->addSheet(u"ownerSheet"_s, handOverTr("for the owner"),
                    handOverTr("The sheet for the owner"), core::hand_over::ownerSheet);
    panel->addSheet(u"nextSheet"_s, handOverTr("for the next one"),
                    handOverTr("The sheet for the next one who opens it"),
                    core::hand_over::nextSheet);
    return panel;
}

}  // namespace glimmet::app
