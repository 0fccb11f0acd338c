#include "core/work/intake/suspects.h"

#include "core/jot/token.h"
#include "core/text.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <iterator>
#include <string_view>
#include <vector>

namespace glimmet::core::intake {
namespace {

/// A word without its ending: "stops", "stopped" and "stopping" are one.
std::string_view stemOf(std::string_view word) {
    for (const std::string_view tail : {"ing", "ed", "es", "s"}) {
        if (word.size() > tail.size() + 2 && word.ends_with(tail)) {
            word.remove_suffix(tail.size());
            break;
        }
    }
    // "stopp" and "stop"
    if (word.size() > 3 && word.back() == word[word.size() - 2]) word.remove_suffix(1);
    if (word.ends_with('e') && word.size() > 3) word.remove_suffix(1);
    return word;
}

/// Calls visit(stem) for each word of words in small letters, until it says that it has enough.
template <class Visit>
void forEachStem(std::string_view words, Visit visit) {
    const auto isLetter = [](char letter) {
        return std::isalnum(static_cast<unsigned char>(letter)) || (letter & '\x80');
    };
    for (std::size_t at = 0; at < words.size();) {
        std::size_t end = at;
        while (end < words.size() && isLetter(words[end])) ++end;
        if (end > at && !visit(stemOf(words.substr(at, end - at)))) return;
        at = end + 1;
    }
}

/// Words that say nothing of a fault.
bool isSmall(std::string_view stem) {
    static constexpr std::string_view small[] = {"a",  "the", "on", "at",   "in",  "when", "it",
                                                 "is", "to",  "of", "with", "and", "or",   "its"};
    return stem.size() <= 4 &&
           std::find(std::begin(small), std::end(small), stem) != std::end(small);
}

}  // namespace

std::vector<Suspect> suspects(const Job& job, const Catalogue& catalogue) {
    std::string said;
    for (const Complaint& complaint : job.intake.complaints) said += complaint.words + " . ";
    for (const Spot& spot : job.intake.spots) {
        if (spot.mended.empty()) said += spot.item + " " + spot.words + " . ";
    }
    std::vector<Suspect> all;
    if (said.empty()) return all;
    said = lowered(said);
    // The stems of `said` by their first letter: most signs fall at a letter that nobody said.
    std::array<std::vector<std::string_view>, 256> words;
    forEachStem(said, [&](std::string_view stem) {
        words[static_cast<unsigned char>(stem.front())].push_back(stem);
        return true;
    });
    const auto isSaid = [&](std::string_view stem) {
        const auto& alike = words[static_cast<unsigned char>(stem.front())];
        return std::find(alike.begin(), alike.end(), stem) != alike.end();
    };
    const auto decided = [&](const KnownFault& fault) {
        return std::any_of(job.intake.faults.begin(), job.intake.faults.end(),
                           [&](const SuspectedFault& each) { return each.fault == fault.id; });
    };
    const auto faultsWith = [&](const std::string& sign) {
        return std::count_if(
            catalogue.faults.begin(), catalogue.faults.end(), [&](const KnownFault& fault) {
                return std::find(fault.signs.begin(), fault.signs.end(), sign) != fault.signs.end();
            });
    };
    for (const KnownFault& fault : catalogue.faults) {
        if (decided(fault)) continue;
        Suspect made{&fault, {}, 0};
        double best = 0;
        for (const std::string& sign : fault.signs) {
            int telling = 0;
            bool fits = true;
            forEachStem(lowered(sign), [&](std::string_view stem) {
                const bool tells = !isSmall(stem);
                telling += tells ? 1 : 0;
                fits = !tells || isSaid(stem);
                return fits;
            });
            if (!fits) continue;
            const double weight =
                static_cast<double>(telling) / static_cast<double>(faultsWith(sign));
            made.weight += weight;
            if (weight > best) {
                best = weight;
                made.sign = sign;
            }
        }
        if (made.weight > 0) all.push_back(std::move(made));
    }
    std::stable_sort(all.begin(), all.end(),
                     [](const Suspect& a, const Suspect& b) { return a.weight > b.weight; });
    return all;
}

}  // namespace glimmet::core::intake
