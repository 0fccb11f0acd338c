#include "core/work/intake/suspects.h"

#include "core/jot/token.h"
#include "core/text.h"

#include <algorithm>
#include <cctype>
#include <map>
#include <set>

namespace glimmet::core::intake {
namespace {

/// Words in small letters without their endings: "stops", "stopped" and "stopping" are one.
std::set<std::string> stems(std::string_view words) {
    std::set<std::string> all;
    std::string word;
    const auto end = [&] {
        for (const char* ending : {"ing", "ed", "es", "s"}) {
            const std::string_view tail(ending);
            if (word.size() > tail.size() + 2 && word.ends_with(tail)) {
                word.resize(word.size() - tail.size());
                break;
            }
        }
        // "stopp" and "stop"
        if (word.size() > 3 && word.back() == word[word.size() - 2]) word.pop_back();
        if (word.ends_with('e') && word.size() > 3) word.pop_back();
        if (!word.empty()) all.insert(word);
        word.clear();
    };
    for (const char letter : lowered(words)) {
        if (std::isalnum(static_cast<unsigned char>(letter)) || (letter & '\x80'))
            word += letter;
        else
            end();
    }
    end();
    return all;
}

/// Words that say nothing of a fault.
bool isSmall(const std::string& stem) {
    static const std::set<std::string> small{"a",  "the", "on", "at",   "in",  "when", "it",
                                             "is", "to",  "of", "with", "and", "or",   "its"};
    return small.contains(stem);
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
    const std::set<std::string> words = stems(said);
    const auto decided = [&](const KnownFault& fault) {
        return std::any_of(job.intake.faults.begin(), job.intake.faults.end(),
                           [&](const SuspectedFault& each) { return each.fault == fault.id; });
    };
    std::map<std::string_view, int> shared;  // how many faults have a sign
    for (const KnownFault& fault : catalogue.faults) {
        for (const std::string& sign : fault.signs) ++shared[sign];
    }
    for (const KnownFault& fault : catalogue.faults) {
        if (decided(fault)) continue;
        Suspect made{&fault, {}, 0};
        double best = 0;
        for (const std::string& sign : fault.signs) {
            int telling = 0;
            bool fits = true;
            for (const std::string& stem : stems(sign)) {
                if (isSmall(stem)) continue;
                ++telling;
                fits = fits && words.contains(stem);
            }
            if (!fits) continue;
            const double weight = static_cast<double>(telling) / shared[sign];
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
