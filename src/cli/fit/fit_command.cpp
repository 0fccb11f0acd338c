#include "cli/fit/fit_command.h"

#include "cli/json_text.h"
#include "core/quantity/format.h"
#include "core/work/fit/fit.h"
#include "core/work/fit/things.h"
#include "core/work/stage_status.h"

#include <algorithm>

namespace glimmet::cli {
namespace {

using core::fit::Thing;

void put(JsonText& out, std::string_view key, const core::fit::Triple& sizes) {
    out.key(key).open('[');
    for (const core::Millimetres each : sizes) out.value(each.value());
    out.close(']');
}

/// "K1", "weight"; the hollow whose walls it would meet.
std::string against(const std::vector<Thing>& things, const Thing& thing) {
    const std::string& met = thing.room.spare->against;
    const auto other = std::find_if(things.begin(), things.end(),
                                    [&](const Thing& each) { return each.lies->box.what == met; });
    return other != things.end() ? other->id : met.empty() ? thing.lies->hollow : met;
}

void put(JsonText& out, const core::Job& job, const std::vector<Thing>& things,
         const Thing& thing) {
    const core::Placement& lies = *thing.lies;
    out.open('{').with("id", thing.id).with("kind", thing.kind).with("name", lies.box.name);
    if (lies.lies) {
        out.with("unit", job.units[lies.unit].id).with("in", lies.hollow);
        put(out, "corner_mm", lies.lies->corner);
        put(out, "size_mm", lies.lies->size);
        out.with("clearance_mm", thing.room.spare->by.value());
        out.with("against", against(things, thing));
    } else {
        out.key("in").null();
        put(out, "size_mm", {lies.box.length, lies.box.width, lies.box.height});
        if (thing.room.lacks) out.with("lacks_mm", thing.room.lacks->by.value());
    }
    out.with("measured", thing.measured).close('}');
}

std::vector<core::Finding> findingsOf(const core::JobAnalysis& facts) {
    std::vector<core::Finding> all = core::findings(facts);
    std::erase_if(all, [](const core::Finding& each) {
        return each.stage != std::string_view(core::fit::stage.name);
    });
    return all;
}

}  // namespace

std::string fitOf(const OneJob& one, Form form) {
    const core::JobAnalysis facts = core::analysed(one.job, one.house, one.catalogue, one.sameType);
    const std::vector<core::Finding> findings = findingsOf(facts);
    if (form != Form::Json) {
        std::string lines;
        for (const core::Finding& each : findings) lines += core::plain(each.sentence) + "\n";
        if (!lines.empty()) return lines;
        const core::Idle idle = core::fit::idle(one.job);
        return (idle.why.empty() ? "what it came with lies in it" : core::plain(idle.why)) + "\n";
    }
    const std::vector<Thing> things = core::fit::thingsOf(facts);
    JsonText out;
    out.open('{').key("items").open('[');
    for (const Thing& each : things) put(out, one.job, things, each);
    out.close(']').with("fits", std::all_of(things.begin(), things.end(),
                                            [](const Thing& each) { return each.lies->fits; }));
    out.key("others").open('[').close(']').key("would_fit").open('[');
    for (const core::Finding& finding : findings) {
        for (const core::Option& option : finding.options) {
            out.open('{').with("words", core::plain(option.what)).with("jot", option.jot);
            out.close('}');
        }
    }
    out.close(']').key("ask").open('[');
    for (const core::Finding& each : findings) {
        if (each.state == core::State::Ask) out.value(core::plain(each.sentence));
    }
    return out.close(']').close('}').taken() + "\n";
}

}  // namespace glimmet::cli
