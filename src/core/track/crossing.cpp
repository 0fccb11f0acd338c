#include "core/track/crossing.h"

#include <algorithm>
#include <utility>

namespace glimmet::core {
namespace {

struct Span {
    double from = 0, to = 0;
};
using Spans = std::vector<Span>;  // rising and apart

/// Spans that overlap or touch become one.
Spans joined(Spans spans) {
    std::sort(spans.begin(), spans.end(),
              [](const Span& a, const Span& b) { return a.from < b.from; });
    Spans made;
    for (const Span& span : spans) {
        if (!made.empty() && span.from <= made.back().to)
            made.back().to = std::max(made.back().to, span.to);
        else
            made.push_back(span);
    }
    return made;
}

/// Where both have a span; points do not count.
Spans common(const Spans& a, const Spans& b) {
    Spans made;
    for (std::size_t i = 0, j = 0; i < a.size() && j < b.size();) {
        const Span both{std::max(a[i].from, b[j].from), std::min(a[i].to, b[j].to)};
        if (both.from < both.to) made.push_back(both);
        if (a[i].to < b[j].to)
            ++i;
        else
            ++j;
    }
    return made;
}

/// Travel over which none of the wheels on one rail collects.
Spans lost(const std::vector<CollectingAxle>& axles, bool CollectingAxle::*collects,
           const std::vector<DeadLength>& dead, Rails rail) {
    Spans ofRail;
    for (const DeadLength& length : dead) {
        if (length.rail == rail || length.rail == Rails::Both) {
            ofRail.push_back({length.from.value(), length.to.value()});
        }
    }
    ofRail = joined(std::move(ofRail));
    Spans all;
    bool first = true;
    for (const CollectingAxle& axle : axles) {
        if (!(axle.*collects)) continue;
        Spans shifted = ofRail;
        // What touches over a length is without power while all of it lies on dead rail.
        const double half = axle.touches.value() / 2;
        for (Span& span : shifted) {
            span.from += axle.x.value() + half;
            span.to += axle.x.value() - half;
        }
        std::erase_if(shifted, [](const Span& span) { return span.from > span.to; });
        all = first ? shifted : common(all, shifted);
        first = false;
    }
    return all;
}

}  // namespace

Result<std::vector<Outage>> outages(const std::vector<CollectingAxle>& axles,
                                    const std::vector<DeadLength>& dead) {
    const auto collects = [&](bool CollectingAxle::*side) {
        return std::any_of(axles.begin(), axles.end(),
                           [&](const auto& axle) { return axle.*side; });
    };
    if (!collects(&CollectingAxle::left) || !collects(&CollectingAxle::right)) {
        return failure(ErrorCode::Missing, "axles",
                       text("The vehicle collects from one rail only: it never runs. Name at least "
                            "one wheel on each side that collects."));
    }
    for (const DeadLength& length : dead) {
        if (length.from < length.to) continue;
        return failure(ErrorCode::OutOfRange, "dead",
                       text("A dead length ends behind where it begins."));
    }
    struct Part {
        Span span;
        Rails rail{};
    };
    std::vector<Part> parts;
    for (const Span& span : lost(axles, &CollectingAxle::left, dead, Rails::Left)) {
        parts.push_back({span, Rails::Left});
    }
    for (const Span& span : lost(axles, &CollectingAxle::right, dead, Rails::Right)) {
        parts.push_back({span, Rails::Right});
    }
    std::sort(parts.begin(), parts.end(),
              [](const Part& a, const Part& b) { return a.span.from < b.span.from; });
    std::vector<Outage> made;
    for (const Part& part : parts) {
        const Millimetres from{part.span.from}, to{part.span.to};
        if (!made.empty() && from <= made.back().to) {
            made.back().to = std::max(made.back().to, to);
            if (made.back().rail != part.rail) made.back().rail = Rails::Both;
        } else {
            made.push_back({from, to, part.rail});
        }
    }
    return made;
}

Millimetres onOneWheel(const std::vector<CollectingAxle>& axles,
                       const std::vector<DeadLength>& dead, Rails rail) {
    const auto side = rail == Rails::Left ? &CollectingAxle::left : &CollectingAxle::right;
    const auto wheels = std::count_if(axles.begin(), axles.end(),
                                      [&](const CollectingAxle& axle) { return axle.*side; });
    if (wheels < 2) return Millimetres{0};
    Spans ofRail;
    for (const DeadLength& length : dead) {
        if (length.rail == rail || length.rail == Rails::Both)
            ofRail.push_back({length.from.value(), length.to.value()});
    }
    // One more off at each beginning, one less at each end.
    std::vector<std::pair<double, int>> turns;
    for (const Span& span : joined(std::move(ofRail))) {
        for (const CollectingAxle& axle : axles) {
            if (!(axle.*side)) continue;
            turns.emplace_back(span.from + axle.x.value(), 1);
            turns.emplace_back(span.to + axle.x.value(), -1);
        }
    }
    std::sort(turns.begin(), turns.end());
    double sum = 0;
    long off = 0;
    for (std::size_t i = 0; i + 1 < turns.size(); ++i) {
        off += turns[i].second;
        if (wheels - off == 1) sum += turns[i + 1].first - turns[i].first;
    }
    return Millimetres{sum};
}

MetresPerSecond modelSpeed(KilometresPerHour prototype, double ratio) {
    return MetresPerSecond{prototype} / ratio;
}

}  // namespace glimmet::core
