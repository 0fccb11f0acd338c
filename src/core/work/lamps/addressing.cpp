#include "core/work/lamps/addressing.h"

#include "core/text.h"

#include <algorithm>
#include <array>

namespace glimmet::core::lamps {

using namespace jot;

std::string shortName(const std::string& name) {
    constexpr std::string_view ending = " lamp";
    if (!lowered(name).ends_with(ending)) return {};
    return name.substr(0, name.size() - ending.size());
}

void addTradeWords(std::vector<Named>& lamps) {
    struct Trade {
        const char *lamp, *stem;
        std::array<const char*, 5> words;
    };
    static constexpr Trade trades[] = {
        {"front lamp", "head", {"head", "headlamp", "headlamps", "headlight", "head lamp"}},
        {"rear lamp", "tail", {"tail", "tail lamp", "tail lamps", "taillight", "tail light"}}};
    for (const Trade& trade : trades) {
        const bool taken = std::any_of(lamps.begin(), lamps.end(), [&](const Named& each) {
            return lowered(each.name).find(trade.stem) != std::string::npos;
        });
        const auto lamp = std::find_if(lamps.begin(), lamps.end(), [&](const Named& each) {
            return lowered(each.name) == trade.lamp;
        });
        if (taken || lamp == lamps.end()) continue;
        lamp->also.insert(lamp->also.end(), trade.words.begin(), trade.words.end());
    }
    // The only strip is "strip".
    const auto isStrip = [](const Named& each) {
        return lowered(each.name).find("strip") != std::string::npos;
    };
    if (std::count_if(lamps.begin(), lamps.end(), isStrip) == 1)
        std::find_if(lamps.begin(), lamps.end(), isStrip)->also.push_back("strip");
}

std::vector<Named> ownNames(const Context& context) {
    std::vector<Named> all;
    for (const LampGroup& group : context.job.groups) {
        Named named{group.name, {group.id}, "on output " + group.output};
        if (const std::string brief = shortName(group.name); !brief.empty()) {
            named.also.push_back(brief);
        }
        all.push_back(std::move(named));
    }
    return all;
}

std::vector<Named> namesAndFeeds(const Context& context) {
    std::vector<Named> all = ownNames(context);
    std::vector<std::string> taken;  // a name goes before what feeds another lamp
    for (const Named& named : all) {
        taken.push_back(lowered(named.name));
        for (const std::string& word : named.also) taken.push_back(lowered(word));
    }
    for (std::size_t i = 0; i < all.size(); ++i) {
        const LampGroup& group = context.job.groups[i];
        const DecoderOutput* output = outputNamed(context.job, group.output);
        for (const std::string& word : {group.output, output ? output->wire : std::string()}) {
            const bool free = std::find(taken.begin(), taken.end(), lowered(word)) == taken.end();
            if (!word.empty() && free) all[i].also.push_back(word);
        }
    }
    return all;
}

std::vector<Named> lampGroupNames(const Context& context) {
    std::vector<Named> all = namesAndFeeds(context);
    addTradeWords(all);
    return all;
}

Result<RowAddress> addressed(const ParsedLine& said, std::string_view what) {
    const std::vector<LampGroup>& groups = said.context.job.groups;
    const ParsedLine::Place& place = said.at(what);
    RowAddress address;
    while (groups[address.group].name != *place.name) ++address.group;
    address.wholeCircuit = place.row == 0;
    if (place.row > 0) address.row = place.row - 1;
    const LampGroup& group = groups[address.group];
    if (address.row >= group.rows.size()) {
        return refuse(ErrorCode::OutOfRange,
                      text("%1 has %2 rows.", group.name, std::to_string(group.rows.size())));
    }
    return address;
}

Result<std::size_t> groupOf(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    if (!address->wholeCircuit) {
        return refuse(ErrorCode::NotUnderstood,
                      text("That holds for the whole of %1, not for one row.",
                           said.context.job.groups[address->group].name));
    }
    return address->group;
}

Result<RowAddress> oneRow(const ParsedLine& said) {
    auto address = addressed(said, "LAMP");
    if (!address) return address;
    const LampGroup& group = said.context.job.groups[address->group];
    if (address->wholeCircuit && group.rows.size() > 1) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 has %2 rows. Say which: %3 %1/2 …", group.name,
                           std::to_string(group.rows.size()), said.command.word));
    }
    return address;
}

std::string rowOf(const LampGroup& group, const RowAddress& address) {
    return address.wholeCircuit ? group.name : group.name + "/" + std::to_string(address.row + 1);
}

}  // namespace glimmet::core::lamps
