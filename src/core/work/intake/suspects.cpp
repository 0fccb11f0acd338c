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
    // Each remark by itself: words of two of them make no sign together.
    std::vector<std::string> remarks;
    for (const Complaint& complaint : job.intake.complaints)
        remarks.push_back(lowered(complaint.words));
    for (const Spot& spot : job.intake.spots) {
        if (spot.mended.empty()) remarks.push_back(lowered(spot.words));
    }
    for (const std::string& remark : job.proof.remarks) remarks.push_back(lowered(remark));
    std::vector<Suspect> all;
    if (remarks.empty()) return all;
    struct Said {
        /// Stems by their first letter: most signs fall at a letter that nobody said.
        std::array<std::vector<std::string_view>, 256> words;
        bool ofTheTrack = false;  ///< it speaks of a place of the layout, not of the wheel
    };
    std::vector<Said> phrases(remarks.size());
    for (std::size_t i = 0; i < remarks.size(); ++i) {
        forEachStem(remarks[i], [&](std::string_view stem) {
            phrases[i].words[static_cast<unsigned char>(stem.front())].push_back(stem);
            phrases[i].ofTheTrack = phrases[i].ofTheTrack || stem == "layout" || stem == "track" ||
                                    stem == "point" || stem == "crossing" || stem == "station";
            return true;
        });
    }
    const auto saidIn = [](const Said& phrase, std::string_view stem) {
        const auto& alike = phrase.words[static_cast<unsigned char>(stem.front())];
        return std::find(alike.begin(), alike.end(), stem) != alike.end();
    };
    const auto isSaid = [&](const std::string& sign) {
        const std::string lower = lowered(sign);
        const bool ofTheWheel = lower.find("one place") != std::string::npos;
        return std::any_of(phrases.begin(), phrases.end(), [&](const Said& phrase) {
            if (ofTheWheel && phrase.ofTheTrack) return false;
            bool fits = true;
            forEachStem(lower, [&](std::string_view stem) {
                fits = isSmall(stem) || saidIn(phrase, stem);
                return fits;
            });
            return fits;
        });
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
    // What nobody said may still be so.
    const bool cameWithDecoder = !job.intake.arrival || job.intake.arrival == Arrival::WithDecoder;
    for (const KnownFault& fault : catalogue.faults) {
        // What would show on plain DC too is out where that was proved.
        if (decided(fault) || (fault.onDc && job.proof.runs == true)) continue;
        if (fault.decoder && !cameWithDecoder && !job.decoder) continue;
        Suspect made{&fault, {}, 0};
        double best = 0;
        for (const std::string& sign : fault.signs) {
            if (!isSaid(sign)) continue;
            int telling = 0;
            forEachStem(lowered(sign), [&](std::string_view stem) {
                telling += isSmall(stem) ? 0 : 1;
                return true;
            });
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
