#include "core/work/jot.h"

#include "core/jot/reader.h"
#include "core/work/job_rooms.h"

namespace glimmet::core {
namespace {

const std::vector<const jot::Verb*>& allVerbs() {
    static const std::vector<const jot::Verb*> all = [] {
        std::vector<const jot::Verb*> made;
        for (const SpokenVerb& spoken : jobVerbs()) made.push_back(spoken.verb);
        return made;
    }();
    return all;
}

}  // namespace

std::vector<JotForm> jotForms() {
    std::vector<JotForm> forms;
    for (const SpokenVerb& spoken : jobVerbs()) {
        const jot::Verb& verb = *spoken.verb;
        forms.push_back({jot::pattern(verb),
                         {verb.examples.begin(), verb.examples.end()},
                         verb.meaning,
                         spoken.stage});
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
    auto jotted = said->verb.read(*said);
    if (!jotted) return jotted;
    for (const SpokenVerb& spoken : jobVerbs()) {
        if (spoken.verb == &said->verb) jotted->stage = spoken.stage;
    }
    return jotted;
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
