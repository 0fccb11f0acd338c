#include "core/job/jot.h"

#include "core/job/verbs/verbs.h"
#include "core/jot/reader.h"

namespace glimmet::core {
namespace {

std::vector<const jot::Verb*> allVerbs() {
    std::vector<const jot::Verb*> all;
    for (const auto verbs : {measureVerbs(), lampVerbs(), recordVerbs()}) {
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
