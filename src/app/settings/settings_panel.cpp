#include "app/pages/pages_panel.h"
#include "app/settings/settings_view.h"
#include "app/theme/words.h"
#include "core/analysis/function_map.h"
#include "core/analysis/settings_plan.h"

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

QString settingsTr(const char* words) {
    return QCoreApplication::translate("settingsPanel", words);
}

QString variables(const core::PlannedValue& value) {
    if (!value.fault.empty()) return said(value.fault);
    if (value.CV.size() > 4)
        return settingsTr("CV %1 to %2").arg(value.CV.begin()->first).arg(value.CV.rbegin()->first);
    QString all;
    for (const auto& [number, content] : value.CV)
        all += (all.isEmpty() ? u""_s : u" · "_s) + u"CV %1 = %2"_s.arg(number).arg(content);
    return all;
}

/// The start of the line that sets a value of that meaning.
QString lineOf(const std::string& meaning) {
    static constexpr std::pair<std::string_view, const char16_t*> lines[] = {
        {"address", u"address "},
        {"direction", u"steps "},
        {"start speed", u"lowest speed "},
        {"middle speed", u"middle speed "},
        {"top speed", u"top speed "},
        {"speed table", u"middle speed "},
        {"momentum start", u"momentum start "},
        {"momentum stop", u"momentum stop "}};
    for (const auto& [name, line] : lines) {
        if (name == meaning) return QString::fromUtf16(line);
    }
    return qs(meaning) + u' ';  // "key F1", "CV 29"
}

TableContent valuesContent(const core::JobAnalysis& facts) {
    TableContent made;
    made.empty = settingsTr("No decoder to set: choose one first.");
    made.columns = {
        {.title = settingsTr("what"), .least = 130, .share = 0.5},
        {.title = settingsTr("value"), .least = 230, .share = 1, .wraps = true},
        {.title = settingsTr("in the decoder"), .least = 190, .share = 0.8, .wraps = true}};
    for (const core::PlannedValue& value : core::settingsPlan(facts.job, facts.house).values) {
        TableRow row;
        if (!value.fault.empty()) row.mark = core::State::Close;
        row.cells = {
            {.words = qs(value.meaning), .strong = true, .figures = false},
            {.words = said(value.words),
             .below = value.assumed ? settingsTr("assumed: as from its maker") : QString()},
            {.words = variables(value),
             .state = value.fault.empty() ? core::State::Fine : core::State::Close}};
        row.line = lineOf(value.meaning);
        made.rows.push_back(std::move(row));
    }
    return made;
}

TableContent keyInContent(const core::JobAnalysis& facts) {
    TableContent made;
    made.empty = settingsTr("No decoder to set: choose one first.");
    made.columns = {{.title = settingsTr("key in"), .least = 130, .share = 0.4},
                    {.title = settingsTr("then check"), .least = 260, .share = 1, .wraps = true},
                    {.title = settingsTr("in the decoder"), .least = 130, .share = 0.4}};
    made.note = settingsTr("In this order. Press a row once it is in.");
    const core::SettingsPlan plan = core::settingsPlan(facts.job, facts.house);
    for (const core::KeyIn& each : plan.keyIn) {
        TableRow row;
        const auto differs =
            std::find_if(plan.differences.begin(), plan.differences.end(),
                         [&](const core::Difference& other) { return other.CV == each.CV; });
        QString now = each.done ? settingsTr("keyed in") : QString();
        if (differs != plan.differences.end()) now = settingsTr("it holds %1").arg(differs->read);
        row.cells = {
            {.words = said(each.press), .strong = !each.done},
            {.words = said(each.check), .figures = false},
            {.words = now,
             .state = differs != plan.differences.end() ? core::State::Over : core::State::Fine,
             .figures = false}};
        if (each.done) row.mark = core::State::Fine;
        if (differs != plan.differences.end()) row.mark = core::State::Over;
        row.line = u"keyed %1"_s.arg(each.CV);
        made.rows.push_back(std::move(row));
    }
    return made;
}

TableContent keysContent(const core::JobAnalysis& facts) {
    TableContent made;
    const core::Job& job = facts.job;
    made.empty = settingsTr("No key switches anything here.");
    made.columns = {{.title = settingsTr("key"), .least = 90, .share = 0.2},
                    {.title = settingsTr("outputs"), .least = 140, .share = 0.5},
                    {.title = settingsTr("lamps and sounds"), .least = 240, .share = 1}};
    for (const core::FunctionKey& key : core::functionMap(job)) {
        QString outputs, lamps;
        for (const std::string& output : key.outputs) {
            outputs += (outputs.isEmpty() ? u""_s : u", "_s) + qs(output);
            for (const core::LampGroup& group : job.groups) {
                if (group.output == output)
                    lamps += (lamps.isEmpty() ? u""_s : u", "_s) + qs(group.name);
            }
        }
        if (!key.sound.empty())
            lamps +=
                (lamps.isEmpty() ? u""_s : u", "_s) + settingsTr("sound: %1").arg(qs(key.sound));
        QString below;
        if (key.direction)
            below = *key.direction == core::Direction::Forward ? settingsTr("forward")
                                                               : settingsTr("in reverse");
        TableRow row;
        row.cells = {
            {.words = u"F%1"_s.arg(key.key), .below = below, .strong = true},
            {.words = outputs, .below = key.momentary ? settingsTr("while held") : QString()},
            {.words = lamps.isEmpty() ? settingsTr("nothing on it") : lamps,
             .below = qs(key.label),
             .figures = false}};
        row.line = u"key F%1 "_s.arg(key.key);
        made.rows.push_back(std::move(row));
    }
    return made;
}

}  // namespace

StagePanel* settingsPanel(QWidget* parent) {
    auto* panel = new PagesPanel(u"settingsPanel"_s, parent);
    panel->addTable(u"valuesTable"_s, settingsTr("values"),
                    settingsTr("What the decoder is told, by its meaning"), valuesContent);
    panel->addTable(u"keyInTable"_s, settingsTr("key in"),
                    settingsTr("The list to key in, in order"), keyInContent);
    panel->addTable(u"keysTable"_s, settingsTr("keys"), settingsTr("What each key switches"),
                    keysContent);
    return panel;
}

}  // namespace glimmet::app
