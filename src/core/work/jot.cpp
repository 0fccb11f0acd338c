#include "core/work/jot.h"

#include "core/jot/dated.h"
#include "core/jot/reader.h"
#include "core/quantity/format.h"
#include "core/work/job_stages.h"
#include "core/work/workshop_stages.h"

namespace glimmet::core {
namespace {

using Commands = std::vector<const jot::Command*>;

const Commands& allCommands() {
    static const Commands all = [] {
        Commands made;
        for (const SpokenCommand& spoken : jobCommands()) made.push_back(spoken.command);
        return made;
    }();
    return all;
}

/// The commands of the workshop with the stage of each.
std::vector<SpokenCommand> workshopCommands() {
    std::vector<SpokenCommand> made;
    for (const WorkshopStage& each : workshopStages()) {
        for (const jot::Command& command : each.commands()) made.push_back({&command, each.name});
    }
    return made;
}
const Commands& allWorkshopCommands() {
    static const Commands all = [] {
        Commands made;
        for (const SpokenCommand& spoken : workshopCommands()) made.push_back(spoken.command);
        return made;
    }();
    return all;
}
/// Lines about the workshop are read against no model.
const Job& noJob() {
    static const Job none = [] {
        Job job;
        job.units.emplace_back();
        return job;
    }();
    return none;
}

JotForm formOf(const SpokenCommand& spoken) {
    const jot::Command& command = *spoken.command;
    return {jot::pattern(command),
            {command.examples.begin(), command.examples.end()},
            command.meaning,
            spoken.stage};
}

Result<jot::ParsedLine> said(std::string_view line, const Commands& commands,
                             const jot::Context& context) {
    constexpr std::size_t longest = 100000;
    if (line.size() > longest) {
        return jot::refuse(ErrorCode::OutOfRange,
                           text("A line is at most %1 bytes long.", std::to_string(longest)));
    }
    return jot::said(line, commands, context);
}

std::vector<JotCompletion> completed(std::string_view line, const Commands& commands,
                                     const jot::Context& context) {
    std::vector<JotCompletion> all;
    for (jot::Completion& each : jot::completions(line, commands, context)) {
        all.push_back({std::move(each.line), std::move(each.word), std::move(each.says)});
    }
    return all;
}

}  // namespace

std::vector<JotForm> jotForms() {
    std::vector<JotForm> forms;
    for (const SpokenCommand& spoken : jobCommands()) forms.push_back(formOf(spoken));
    return forms;
}
std::vector<JotForm> workshopJotForms() {
    std::vector<JotForm> forms;
    for (const SpokenCommand& spoken : workshopCommands()) forms.push_back(formOf(spoken));
    return forms;
}

Result<JotResult> applyLine(std::string_view line, const Job& job, const Catalogue& catalogue,
                            const std::string& now, const WorkshopRecord& workshop) {
    const std::string today = now.substr(0, now.find('T'));
    auto entry = jot::dated(line, today);
    if (entry && entry->behind) {
        // What a note ends with is its owner's.
        const auto whole = said(line, allCommands(), {job, catalogue, today, &workshop, {}, now});
        if (whole && whole->command.sentence) entry = jot::Dated{line, {}, false};
    }
    if (!entry) return tl::unexpected(entry.error());
    const std::string& day = entry->on.empty() ? today : entry->on;
    const jot::Context context{job, catalogue, day, &workshop, {}, now};
    const auto heard = said(entry->line, allCommands(), context);
    if (!heard) return tl::unexpected(heard.error());
    auto jotted = heard->command.read(*heard);
    if (!jotted) return jotted;
    if (!entry->on.empty() && day != today) {
        const auto undated = applyLine(entry->line, job, catalogue, now, workshop);
        if (undated && undated->after == jotted->after) {
            return jot::refuse(ErrorCode::NotUnderstood,
                               text("%1 keeps no day: leave %2 out.", heard->command.word, day));
        }
        jotted->meaning = text("%1, on %2", std::move(jotted->meaning), day);
    }
    for (const SpokenCommand& spoken : jobCommands()) {
        if (spoken.command == &heard->command && !jotted->goes) jotted->stage = spoken.stage;
    }
    return jotted;
}

Result<JotResult> applyLine(const std::vector<std::string>& lines, const Job& job,
                            const Catalogue& catalogue, const std::string& today,
                            const WorkshopRecord& workshop) {
    JotResult all;
    all.after = job;
    for (const std::string& line : lines) {
        auto one = applyLine(line, all.after, catalogue, today, workshop);
        if (!one) {
            return jot::refuse(one.error().code, text("%1: %2", line, std::move(one.error().what)));
        }
        all.meaning = all.meaning.empty() ? std::move(one->meaning)
                                          : text("%1; %2", std::move(all.meaning), one->meaning);
        all.after = std::move(one->after);
        all.stage = one->stage;
        all.subject = std::move(one->subject);
    }
    return all;
}

Measurable measurable(std::string_view line) {
    const std::vector<jot::Token> tokens = jot::tokens(line);
    Measurable found;
    std::vector<Dimension>& wanted = found.dimensions;
    if (tokens.empty()) return found;
    for (const jot::Command* command : allCommands()) {
        if (!jot::goesBy(*command, tokens.front().words)) continue;
        for (const jot::Argument& argument : command->arguments) {
            found.scatter = found.scatter || argument.what == std::string_view("SCATTER");
            const bool electric = argument.kind == jot::Argument::Kind::Quantity &&
                                  !argument.after &&
                                  (argument.dimension == Dimension::Voltage ||
                                   argument.dimension == Dimension::Current ||
                                   argument.dimension == Dimension::Resistance);
            const bool there = std::any_of(
                tokens.begin(), tokens.end(),
                [&](const jot::Token& token) { return token.unit == argument.dimension; });
            const bool again =
                std::find(wanted.begin(), wanted.end(), argument.dimension) != wanted.end();
            if (electric && !again && (!there || argument.atMost > 1))
                wanted.push_back(argument.dimension);
        }
        found.momentary = command->momentary;
        break;
    }
    return found;
}

std::string asJot(Dimension dimension, double si, int digits) {
    std::string words = formatted(si, dimension, digits);
    std::erase(words, ' ');
    return words;
}

Result<WorkshopJotResult> applyLine(std::string_view line, const WorkshopRecord& workshop,
                                    const Catalogue& catalogue, const std::string& today,
                                    Shelf shelf) {
    const jot::Context context{noJob(), catalogue, today, &workshop, shelf};
    const auto heard = said(line, allWorkshopCommands(), context);
    if (!heard) return tl::unexpected(heard.error());
    auto jotted = heard->command.readWorkshop(*heard);
    if (!jotted) return jotted;
    for (const SpokenCommand& spoken : workshopCommands()) {
        if (spoken.command == &heard->command) jotted->stage = spoken.stage;
    }
    return jotted;
}

std::vector<JotCompletion> jotCompletions(std::string_view line, const Job& job,
                                          const Catalogue& catalogue) {
    const std::string today;
    return completed(line, allCommands(), {job, catalogue, today});
}
std::vector<JotCompletion> workshopJotCompletions(std::string_view line,
                                                  const WorkshopRecord& workshop,
                                                  const Catalogue& catalogue, Shelf shelf) {
    const std::string today;
    return completed(line, allWorkshopCommands(), {noJob(), catalogue, today, &workshop, shelf});
}

}  // namespace glimmet::core
