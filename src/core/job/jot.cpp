#include "core/job/jot.h"

#include "core/job/verbs/verbs.h"
#include "core/jot/reader.h"

namespace glimmet::core {
namespace {

std::vector<const jot::Verb*> allVerbs() {
    std::vector<const jot::Verb*> all;
    for (const auto verbs : {measure::verbs(), lamps::verbs(), record::verbs()}) {
        for (const jot::Verb& verb : verbs) all.push_back(&verb);
    }
    return all;
}

}  // namespace

std::vector<JotForm> jotForms() {
    std::vector<JotForm> forms;
    for (const jot::Verb* verb : allVerbs()) {
        forms.push_back(
            {jot::pattern(*verb), {verb->examples.begin(), verb->examples.end()}, verb->meaning});
    }
    return forms;
}

std::string newLampJot(const Job& job, std::string_view output) {
    const std::string on = " white on " + std::string(output);
    const auto taken = [&](const std::string& name) { return circuitNamed(job, name) != nullptr; };
    const Facing wanted = output == "front"  ? Facing::Front
                          : output == "rear" ? Facing::Rear
                                             : Facing::Inside;
    for (const LampSite& site : job.body.sites) {
        if (site.facing == wanted && !taken(site.name)) return "lamp " + site.name + on;
    }
    std::string name;
    for (int number = 1; name.empty() || taken(name); ++number) {
        name = "lamp " + std::to_string(number);
    }
    return "lamp" + on + " called " + name;
}

Result<Jotted> understood(std::string_view line, const Job& job, const Catalogue& catalogue,
                          const std::string& today) {
    constexpr std::size_t longest = 100000;
    if (line.size() > longest) {
        return jot::refuse(ErrorCode::OutOfRange,
                           text("A line is at most %1 bytes long.", std::to_string(longest)));
    }
    const jot::Context context{job, catalogue, today};
    const auto said = jot::said(line, allVerbs(), context);
    if (!said) return tl::unexpected(said.error());
    return said->verb.read(*said);
}

std::vector<JotCompletion> jotCompletions(std::string_view line, const Job& job,
                                          const Catalogue& catalogue) {
    const std::string today;
    std::vector<JotCompletion> all;
    for (jot::Completion& each : jot::completions(line, allVerbs(), {job, catalogue, today})) {
        all.push_back({std::move(each.line), std::move(each.word), std::move(each.says)});
    }
    return all;
}

}  // namespace glimmet::core
