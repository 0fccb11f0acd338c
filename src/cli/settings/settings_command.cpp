#include "cli/settings/settings_command.h"

#include "cli/input.h"
#include "cli/jot.h"
#include "cli/json_text.h"
#include "core/analysis/settings_plan.h"
#include "core/analysis/wiring/terminals.h"
#include "core/work/jot.h"

#include <charconv>

namespace glimmet::cli {
namespace {

/// Below 0: it is no whole number.
int wholeIn(std::string_view words) {
    while (!words.empty() && words.front() == ' ') words.remove_prefix(1);
    while (!words.empty() && (words.back() == ' ' || words.back() == '\r')) words.remove_suffix(1);
    int number = 0;
    const auto [end, error] = std::from_chars(words.data(), words.data() + words.size(), number);
    if (words.empty() || error != std::errc() || end != words.data() + words.size()) return -1;
    return number;
}

/// "read-back 1=3 29=6" of a table of CV and value; else the line to complain with.
tl::expected<std::string, std::string> lineOf(const std::string& path, const std::string& table) {
    std::string line = "read-back";
    std::size_t row = 0;
    for (const std::string& each : linesOf(table)) {
        ++row;
        const std::size_t comma = each.find_first_of(",;\t");
        const int number = wholeIn(std::string_view(each).substr(0, comma));
        const int value =
            comma == std::string::npos ? -1 : wholeIn(std::string_view(each).substr(comma + 1));
        if (number < 0 && row == 1) continue;  // the heads
        if (number < 1 || number > 1024 || value < 0 || value > 255)
            return tl::unexpected(
                path + ": line " + std::to_string(row) + ": found “" + each +
                "”, allowed: a CV from 1 to 1024, a comma, a value from 0 to 255");
        line += " " + std::to_string(number) + "=" + std::to_string(value);
    }
    if (line == "read-back")
        return tl::unexpected(path + ": found no values, allowed: lines of CV,value");
    return line;
}

void put(JsonText& out, std::string_view key, const std::map<int, int>& values) {
    out.key(key).open('{');
    for (const auto& [number, value] : values)
        out.with(std::to_string(number), std::int64_t{value});
    out.close('}');
}

void put(JsonText& out, const core::Job& job, const core::PlannedValue& value) {
    out.open('{').with("meaning", value.meaning).key("value");
    if (value.meaning == "address")
        out.value(std::int64_t{job.settings.address.value_or(core::factoryAddress)});
    else
        out.value(core::plain(value.words));
    put(out, "CV", value.CV);
    out.with("assumed", value.assumed);
    if (!value.fault.empty()) out.with("fault", core::plain(value.fault));
    out.close('}');
}

std::string json(const core::Job& job, const core::SettingsPlan& plan) {
    JsonText out;
    out.open('{').key("decoders").open('[');
    if (job.decoder) {
        out.open('{').with("id", core::decoderOwner).with("name", job.decoder->part.name);
        out.key("values").open('[');
        for (const core::PlannedValue& value : plan.values) put(out, job, value);
        out.close(']');
        put(out, "CV", plan.CV);
        out.key("key_in").open('[');
        std::int64_t step = 0;
        for (const core::KeyIn& each : plan.keyIn) {
            out.open('{').with("step", ++step).with("press", core::plain(each.press));
            out.with("check", core::plain(each.check)).with("done", each.done).close('}');
        }
        out.close(']').key("read");
        if (job.settings.read) {
            std::map<int, int> read;
            for (const auto& each : job.settings.read->values) read[each.number] = each.value;
            out.open('{').with("on", job.settings.read->on);
            put(out, "CV", read);
            out.close('}');
        } else {
            out.null();
        }
        out.key("differences").open('[');
        for (const core::Difference& each : plan.differences) {
            out.open('{').with("CV", std::to_string(each.CV));
            out.with("planned", std::int64_t{each.planned}).with("read", std::int64_t{each.read});
            out.close('}');
        }
        out.close(']').close('}');
    }
    out.close(']');
    if (!job.decoder) out.key("ask").open('[').value("No decoder is chosen.").close(']');
    return out.close('}').taken() + "\n";
}

std::string lines(const core::Job& job, const core::SettingsPlan& plan) {
    if (!job.decoder) return "no decoder is chosen\n";
    std::string out;
    for (const core::PlannedValue& value : plan.values) {
        out += value.meaning + ": " + core::plain(value.words);
        for (const auto& [number, content] : value.CV)
            out += "  CV " + std::to_string(number) + " = " + std::to_string(content);
        if (!value.fault.empty()) out += "  cannot be set: " + core::plain(value.fault);
        out += "\n";
    }
    for (const core::Difference& each : plan.differences)
        out += "CV " + std::to_string(each.CV) + ": planned " + std::to_string(each.planned) +
               ", read " + std::to_string(each.read) + "\n";
    if (job.settings.read && plan.differences.empty()) out += "what was read is as planned\n";
    return out;
}

std::string table(const core::SettingsPlan& plan) {
    std::string out = "CV,value\r\n";
    for (const auto& [number, value] : plan.CV)
        out += std::to_string(number) + "," + std::to_string(value) + "\r\n";
    return out;
}

}  // namespace

SettingsRun settingsRun(const SettingsRequest& request) {
    if (!request.decoder.empty() && request.decoder != core::decoderOwner)
        return {{}, {"settings: --decoder: found “" + request.decoder + "”, allowed: D1"}};
    auto one = oneJob(request.path, request.wanted, request.userCatalogue);
    if (!one) return {{}, one.error()};
    if (!request.read.empty()) {
        const auto csv = contents(request.read, "a table of CV and value, or -");
        if (!csv) return {{}, {csv.error()}};
        const auto line = lineOf(request.read, *csv);
        if (!line) return {{}, {line.error()}};
        auto taken = core::applyLine(*line, one->job, one->catalogue, request.now);
        if (!taken) return {{}, {request.read + ": " + core::plain(taken.error().what)}};
        one->job = std::move(taken->after);
        if (one->inWorkshop) {
            JotRequest recorded;
            recorded.path = request.path;
            if (!request.wanted.name.empty()) recorded.job = request.wanted.name;
            recorded.id = request.wanted.id;
            recorded.lines = {*line};
            recorded.userCatalogue = request.userCatalogue;
            recorded.now = request.now;
            const JotRun run = jot(recorded);
            if (!run.faults.empty()) return {{}, run.faults};
        }
    }
    const core::SettingsPlan plan =
        core::settingsPlan(one->job, core::houseOf(one->job, one->house));
    switch (request.form) {
        case Form::Json:
            return {json(one->job, plan), {}};
        case Form::Csv:
            return {table(plan), {}};
        case Form::Text:
            break;
    }
    return {lines(one->job, plan), {}};
}

}  // namespace glimmet::cli
