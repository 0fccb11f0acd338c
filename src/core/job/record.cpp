#include "core/job/record.h"

#include "core/quantity/format.h"

namespace glimmet::core {
namespace {

std::string cut(const std::string& words, std::size_t longest) {
    if (words.size() <= longest) return words;
    std::size_t end = longest;
    while (end > 0 && (static_cast<unsigned char>(words[end]) & 0xC0) == 0x80) --end;
    return words.substr(0, end) + "…";
}

}  // namespace

std::vector<Text> recordLines(const Job& job, std::size_t longest) {
    std::vector<Text> lines;
    if (!job.owner.empty()) lines.push_back(text("Owner: %1", cut(job.owner, longest)));
    if (!job.wish.empty()) lines.push_back(text("Wish: %1", cut(job.wish, longest)));
    Seconds spent{0};
    for (const TimeSpent& time : job.times) spent += time.time;
    if (spent > Seconds{0}) {
        lines.push_back(
            text("Time spent: %1 min", formatted(spent.value() / 60, Dimension::Ratio, 4)));
    }
    for (auto note = job.notes.rbegin(); note != job.notes.rend(); ++note) {
        const std::string words = cut(note->words, longest);
        lines.push_back(note->on.empty() ? verbatim(words) : text("%1: %2", note->on, words));
    }
    return lines;
}

}  // namespace glimmet::core
