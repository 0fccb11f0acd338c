#include "core/work/shelf.h"

#include "core/jot/token.h"

namespace glimmet::core {

std::vector<jot::Named> shelfNames(const jot::Context& context) {
    std::vector<jot::Named> all;
    for (const auto& [id, name] : context.shelf) {
        jot::Named named{name, {}, "on the shelf"};
        // As a line is cut into words: No 4 Ling.
        std::vector<std::string> words;
        for (const jot::Token& token : jot::tokens(name)) words.push_back(token.words);
        named.also.push_back(jot::joined(words));
        // “No. 4 "Ling"” goes by Ling.
        const auto from = name.find('"'), to = name.rfind('"');
        if (from != std::string::npos && to > from + 1) {
            named.also.push_back(name.substr(from + 1, to - from - 1));
        }
        all.push_back(std::move(named));
    }
    return all;
}
int jobCalled(const jot::Context& context, std::string_view name) {
    int number = 0;
    for (const auto& [each, called] : context.shelf) {
        if (called == name) number = each;
    }
    return number;
}

namespace {

std::vector<int> numbersOf(Shelf shelf) {
    std::vector<int> all;
    for (const auto& [number, name] : shelf) all.push_back(number);
    return all;
}
std::string nameOf(Shelf shelf, int job) {
    for (const auto& [number, name] : shelf) {
        if (number == job) return name;
    }
    return {};
}

}  // namespace

std::vector<int> shelved(const WorkshopRecord& workshop, Shelf shelf) {
    return shelved(numbersOf(shelf), workshop.shelfOrder);
}

WorkshopJotResult putOnShelf(const WorkshopRecord& workshop, Shelf shelf, int job,
                             std::optional<int> before) {
    WorkshopJotResult made{before ? text("%1 stands on the shelf before %2", nameOf(shelf, job),
                                         nameOf(shelf, *before))
                                  : text("%1 stands last on the shelf", nameOf(shelf, job)),
                           workshop,
                           {},
                           "shelf"};
    made.after.shelfOrder = orderWith(job, before, numbersOf(shelf), workshop.shelfOrder);
    return made;
}

}  // namespace glimmet::core
