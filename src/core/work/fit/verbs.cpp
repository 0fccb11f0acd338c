// Jots of fitting: where a thing goes, what else goes in, how large it is with its wires.
#include "core/jot/sizes.h"
#include "core/work/fit/fit.h"
#include "core/work/fit/things.h"
#include "core/work/jotted.h"
#include "core/work/units.h"

#include <algorithm>

namespace glimmet::core::fit {
namespace {

using namespace jot;
using Kind = Argument::Kind;

/// Of items also by their kind, where there is one of it.
std::vector<Named> things(const Context& context) {
    const Job& job = context.job;
    std::vector<Named> all;
    if (job.decoder) all.push_back({"decoder", {"D1"}, job.decoder->part.name});
    if (job.bank)
        all.push_back({"stay-alive", {"K1", "bank", "reserve", "capacitor"}, job.bank->part.name});
    for (const FittedItem& item : job.items) {
        const std::string kind = kindOf(item);
        const auto alike = std::count_if(job.items.begin(), job.items.end(),
                                         [&](const auto& each) { return kindOf(each) == kind; });
        Named named{item.id, {}, kind};
        const bool taken = std::any_of(all.begin(), all.end(),
                                       [&](const Named& each) { return each.name == kind; });
        if (alike == 1 && !taken) named.also.push_back(kind);
        all.push_back(std::move(named));
    }
    return all;
}

/// "decoder in hood", "speaker anywhere"
struct Moved {
    std::optional<Fitted>* placement = nullptr;
    std::string called;
};
Moved movedIn(Job& job, const std::string& thing) {
    if (thing == "decoder") return {&job.decoder->placement, "decoder"};
    if (thing == "stay-alive") return {&job.bank->placement, "stay-alive"};
    for (FittedItem& item : job.items) {
        if (item.id == thing) return {&item.placement, kindOf(item)};
    }
    return {};
}

/// "fit speaker gone"
Result<JotResult> leaveOut(const ParsedLine& said) {
    const std::string& id = *said.name("THING");
    JotResult result = jotted(said, {});
    auto& all = result.after.items;
    const auto item =
        std::find_if(all.begin(), all.end(), [&](const FittedItem& each) { return each.id == id; });
    if (item == all.end())
        return refuse(ErrorCode::NotUnderstood,
                      id == "decoder" ? text("A decoder is left out with decoder none.")
                                      : text("A stay-alive is left out with bank none."));
    result.meaning = text("Left out: the %1", kindOf(*item));
    all.erase(item);
    return result;
}
Result<JotResult> place(const ParsedLine& said) {
    if (said.name("WHERE") == "gone") return leaveOut(said);
    JotResult result = jotted(said, {});
    const Moved moved = movedIn(result.after, *said.name("THING"));
    if (const auto& where = said.name("IN")) {
        *moved.placement = placementNamed(said.context.job, *where);
        result.meaning = text("Fit: %1 in the %2", moved.called, *where);
    } else if (!said.name("WHERE")) {
        return refuse(ErrorCode::Missing,
                      text("Where does it go? Write it like %1.", said.command.examples.front()));
    } else {
        moved.placement->reset();
        result.meaning = text("Fit: %1 wherever there is room", moved.called);
    }
    return result;
}

std::vector<Named> otherwise(const Context&) {
    return {{"anywhere", {"where there is room"}, "wherever there is room"},
            {"gone", {"out", "left out"}, "it stays out"}};
}
constexpr Argument placeArguments[] = {
    {.what = "THING",
     .kind = Kind::Name,
     .needed = true,
     .missing = "What is to be fitted?",
     .names = things,
     .unknown = "Nothing goes by “%1” here. There are: %2.",
     .none = "Nothing is chosen yet that could be fitted: decoder, stay-alive, or add speaker "
             "15x11x8."},
    {.what = "WHERE",
     .kind = Kind::Name,
     .names = otherwise,
     .unknown = "“%1” is not understood. There are: %2."},
    {.what = "IN",
     .kind = Kind::Name,
     .after = "in",
     .names = placementNames,
     .unknown = "“%1” is no place in this model. There are: %2."}};
constexpr const char* placeExamples[] = {"fit decoder in hood", "fit stay-alive anywhere"};
constexpr const char* placeNoise[] = {"the"};

/// "speaker 15x11x8 in cab floor", "board 30x10x4"
Result<JotResult> add(const ParsedLine& said) {
    const auto wrong = [&] {
        return refuse(ErrorCode::NotUnderstood,
                      text("What is added, and how large is it with its wires? Write it like %1.",
                           said.command.examples.front()));
    };
    const std::string rest = lowered(said.rest);
    const std::size_t space = rest.find(' ');
    if (space == std::string::npos) return wrong();
    const std::string kind = rest.substr(0, space);
    std::string sizes = rest.substr(space + 1), where;
    if (const std::size_t in = sizes.find(" in "); in != std::string::npos) {
        where = sizes.substr(in + 4);
        sizes.resize(in);
    }
    const auto measures = sizesIn<3>(sizes);
    if (!measures) return wrong();
    const OuterMeasures size{(*measures)[0], (*measures)[1], (*measures)[2]};
    FittedItem item;
    if (kind == "speaker")
        item.part = SpeakerPart{"speaker", size, Ohms{8}};
    else if (kind == "weight")
        item.part = WeightPart{"weight", size};
    else if (kind == "board")
        item.part = BoardPart{"board", size};
    else if (kind == "holder")
        item.part = HolderPart{"holder", size};
    else
        return wrong();
    JotResult result =
        jotted(said, text("Goes in: a %1, %2 × %3 × %4", kind, formatted(size.length, 3),
                          formatted(size.width, 3), formatted(size.height, 3)));
    if (!where.empty()) {
        const auto places = placementNames(said.context);
        const auto found = std::find_if(places.begin(), places.end(), [&](const Named& each) {
            return lowered(each.name) == where ||
                   std::find(each.also.begin(), each.also.end(), where) != each.also.end();
        });
        if (found == places.end())
            return refuse(ErrorCode::Unknown, text("“%1” is no place in this model.", where));
        item.placement = placementNamed(said.context.job, found->name);
        result.meaning = text("%1, in the %2", result.meaning, found->name);
    }
    item.id = newId(result.after, 'I');
    result.after.items.push_back(std::move(item));
    return result;
}
constexpr const char* addExamples[] = {"add speaker 15x11x8", "add board 30x10x4 in hood"};

constexpr Command table[] = {{"fit",
                              {},
                              placeArguments,
                              placeExamples,
                              "where a thing that was chosen goes",
                              place,
                              false,
                              placeNoise},
                             {"add",
                              {},
                              {},
                              addExamples,
                              "something else that goes in: a speaker, board, weight, holder",
                              add,
                              true}};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::fit
