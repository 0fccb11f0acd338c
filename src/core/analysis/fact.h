// Facts of a job: worked out when first asked for, kept until a part of the record that they read
// changes. Each declares what it reads beside how it is worked out.
#pragma once

#include "core/record/job.h"

#include <functional>
#include <map>
#include <memory>

namespace glimmet::core {

struct JobAnalysis;

/// Parts of the record: members of Job, or functions that tell something simple of it. House rules
/// and catalogue are read by all.
template <auto... parts>
struct Reads {
    [[nodiscard]] static bool same(const Job& before, const Job& after) {
        return ((std::invoke(parts, before) == std::invoke(parts, after)) && ...);
    }
};
/// What several facts read together: of a fact that is worked out from others.
template <class... Each>
struct ReadsOf {
    [[nodiscard]] static bool same(const Job& before, const Job& after) {
        return (Each::same(before, after) && ...);
    }
};

/// The facts of one job that somebody asked for. A fact is a type with
///     using Value = …;                            a plain value: no pointer into the job
///     using Read = Reads<&Job::units, …>;
///     static Value of(const JobAnalysis& facts);  pure
/// Not to be asked from two threads at once: a copy is another's own.
class KeptFacts {
public:
    template <class Fact>
    [[nodiscard]] const typename Fact::Value& get(const JobAnalysis& facts) {
        const void* const key = &keyOf<Fact>;
        auto kept = m_kept.find(key);
        if (kept == m_kept.end()) {
            auto made = std::make_shared<const typename Fact::Value>(Fact::of(facts));
            kept = m_kept.emplace(key, Entry{std::move(made), &Fact::Read::same}).first;
        }
        return *static_cast<const typename Fact::Value*>(kept->second.value.get());
    }
    /// Those that hold of the job after a change too.
    [[nodiscard]] KeptFacts stillHold(const Job& before, const Job& after) const {
        KeptFacts still;
        for (const auto& [key, entry] : m_kept) {
            if (entry.same(before, after)) still.m_kept.emplace(key, entry);
        }
        return still;
    }
    [[nodiscard]] std::size_t size() const { return m_kept.size(); }

private:
    struct Entry {
        std::shared_ptr<const void> value;
        bool (*same)(const Job&, const Job&);
    };
    template <class Fact>
    static constexpr char keyOf = 0;  // its address tells facts apart

    std::map<const void*, Entry> m_kept;
};

}  // namespace glimmet::core
