#include "core/analysis/function_map.h"

#include <algorithm>
#include <charconv>
#include <set>
#include <string>

namespace glimmet::core {
namespace {

std::optional<int> wholeNumber(std::string_view words) {
    int number = 0;
    const auto read = std::from_chars(words.data(), words.data() + words.size(), number);
    if (read.ec != std::errc() || read.ptr != words.data() + words.size() || number < 1) return {};
    return number;
}

bool switches(const FunctionKey& key, std::string_view output) {
    return std::find(key.outputs.begin(), key.outputs.end(), output) != key.outputs.end();
}

}  // namespace

std::optional<int> outputNumber(std::string_view output) {
    if (output == "front") return 1;
    if (output == "rear") return 2;
    const auto number = wholeNumber(output);
    return number ? std::optional(*number + 2) : std::nullopt;
}

std::vector<FunctionKey> functionMap(const Job& job) {
    if (!job.functions.empty()) return job.functions;
    std::set<std::string> outputs;
    if (job.decoder) {
        for (const DecoderOutput& output : job.decoder->part.outputs) outputs.insert(output.name);
    }
    for (const LampGroup& group : job.groups) outputs.insert(group.output);
    std::vector<FunctionKey> map;
    for (const std::string& output : outputs) {
        const auto number = outputNumber(output);
        if (!number) continue;
        FunctionKey key;
        key.key = std::max(*number - 2, 0);
        if (key.key == 0) key.direction = *number == 1 ? Direction::Forward : Direction::Reverse;
        key.outputs = {output};
        map.push_back(std::move(key));
    }
    std::stable_sort(map.begin(), map.end(), [](const FunctionKey& one, const FunctionKey& other) {
        return one.key < other.key;
    });
    return map;
}

std::vector<int> keysOf(const Job& job, std::string_view output) {
    std::set<int> keys;
    for (const FunctionKey& key : functionMap(job)) {
        if (switches(key, output)) keys.insert(key.key);
    }
    return {keys.begin(), keys.end()};
}

std::vector<int> keysOf(const Job& job) {
    std::set<int> keys;
    for (const FunctionKey& key : functionMap(job)) {
        const bool lamps =
            std::any_of(job.groups.begin(), job.groups.end(),
                        [&](const LampGroup& group) { return switches(key, group.output); });
        if (lamps) keys.insert(key.key);
    }
    return {keys.begin(), keys.end()};
}

std::optional<Direction> directionOf(const Job& job, std::string_view output) {
    std::optional<Direction> direction;
    for (const FunctionKey& key : functionMap(job)) {
        if (!switches(key, output)) continue;
        if (!key.direction || (direction && direction != key.direction)) return {};
        direction = key.direction;
    }
    return direction;
}

}  // namespace glimmet::core
