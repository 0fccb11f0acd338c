#include "core/work/record_lines.h"

#include "core/quantity/format.h"

namespace glimmet::core {
std::vector<Text> recordLines(const Job& job, std::size_t longest) {
    std::vector<Text> lines;
    if (!job.owner.empty()) lines.push_back(text("Owner: %1", shortened(job.owner, longest)));
    if (!job.wish.empty()) lines.push_back(text("Wish: %1", shortened(job.wish, longest)));
    Seconds spent{0};
    for (const TimeSpent& time : job.times) spent += time.time;
    if (spent > Seconds{0}) {
        lines.push_back(
            text("Time spent: %1 min", formatted(spent.value() / 60, Dimension::Ratio, 4)));
    }
    for (auto note = job.notes.rbegin(); note != job.notes.rend(); ++note) {
        const std::string words = shortened(note->words, longest);
        lines.push_back(note->on.empty() ? verbatim(words) : text("%1: %2", note->on, words));
    }
    return lines;
}

}  // namespace glimmet::core
