#include "core/work/stay_alive/pads_verb.h"

#include "core/jot/names.h"

#include <algorithm>
#include <cctype>

namespace glimmet::core::stay_alive {

using namespace jot;

std::vector<Named> bridgeNames(const Context&) {
    return {{"nothing", {"no change"}, "all is as before"},
            {"holds", {"rides", "better"}, "it rides over what it did not"},
            {"stops", {"resets", "stopped"}, "it stops or starts anew with the wire on"},
            {"off", {"open"}, "it stopped with it; the wire is off again"}};
}
std::vector<Named> padsGone(const Context&) { return {{"none", {"forget"}, "not told any more"}}; }

namespace {

/// As printed on a board: "C7", "TP12", "K+", "C101A"; not a word of somebody's remark.
bool isLabel(std::string_view word) {
    const auto is = [&](auto like) { return std::any_of(word.begin(), word.end(), like); };
    const bool marked = is([](unsigned char c) { return std::isdigit(c) || c == '+' || c == '-'; });
    return word.size() <= 8 && marked && word.find(' ') == std::string_view::npos;
}

}  // namespace

Result<JotResult> pads(const ParsedLine& said) {
    const std::string& called = said.at("CALLED").words;
    const std::string& name = called.empty() ? said.at("PADS").words : called;
    if (!called.empty() && !said.at("PADS").words.empty()) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("“%1” or “%2”: by which of them do the pads go?", said.at("PADS").words, called));
    }
    if (name.empty()) {
        return refuse(ErrorCode::Missing,
                      text("Which pads? Write what is printed beside them: pads C7 11.6V."));
    }
    const bool known =
        std::any_of(said.context.job.pads.begin(), said.context.job.pads.end(),
                    [&](const EmptyPads& each) { return lowered(each.name) == lowered(name); });
    if (called.empty() && !known && !isLabel(name)) {
        return refuse(ErrorCode::NotUnderstood,
                      text("“%1” is no label as boards carry them. Write it like pads C7 11.6V; "
                           "pads without a label get a name: pads called left pair 11.6V.",
                           name));
    }
    const auto direct = said.one<Volts>("VOLTS");
    const auto alternating = said.one<Volts>("AC");
    const auto ohms = said.one<Ohms>("OHMS");
    const auto& did = said.name("DID");
    const bool gone = said.name("GONE").has_value();
    std::vector<EmptyPads> all = said.context.job.pads;
    const auto there = std::find_if(all.begin(), all.end(), [&](const EmptyPads& each) {
        return lowered(each.name) == lowered(name);
    });
    if (gone) {
        if (direct || alternating || ohms || did) {
            return refuse(ErrorCode::NotUnderstood,
                          text("None, or something read there: only one of them can be."));
        }
        if (there == all.end()) {
            return refuse(ErrorCode::Unknown, text("Nobody told of pads that go by %1.", name));
        }
        JotResult result = jotted(said, text("Pads %1: not told any more", there->name));
        all.erase(there);
        result.after.pads = std::move(all);
        return result;
    }
    EmptyPads made;
    if (there == all.end())
        made.name = name;
    else
        made = *there;
    Text meaning = text("Empty pads %1", made.name);
    if (direct) {
        made.direct = direct;
        meaning = text("%1, %2 with the red lead at the marked one", std::move(meaning),
                       formatted(*direct));
    }
    if (alternating) {
        made.alternating = alternating;
        meaning = text("%1, %2 on AC volts", std::move(meaning), formatted(*alternating));
    }
    if (ohms) {
        made.toCommon = ohms;
        meaning =
            text("%1, %2 from the plus to the blue wire", std::move(meaning), formatted(*ohms));
    }
    if (did) {
        made.bridged = *named<BridgeDid>(*did);
        meaning = *did == "off" ? text("%1, joined it stopped; open again", std::move(meaning))
                                : text("%1, joined: %2", std::move(meaning), *did);
    }
    if (direct || alternating || ohms || did) made.on = said.context.today;
    if (there == all.end())
        all.push_back(made);
    else
        *there = made;
    constexpr std::size_t most = 20;  // as the record keeps them
    if (all.size() > most) {
        return refuse(ErrorCode::OutOfRange,
                      text("More than %1 pairs of pads are not kept.", std::to_string(most)));
    }
    JotResult result = jotted(said, std::move(meaning));
    result.after.pads = std::move(all);
    return result;
}

}  // namespace glimmet::core::stay_alive
