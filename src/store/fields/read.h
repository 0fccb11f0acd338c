// Reads described records out of JSON. Every fault is kept with its place; what is read after one
// is harmless and not to be used.
#pragma once

#include "store/fields/described.h"
#include "store/fields/write.h"

#include <nlohmann/json.hpp>

#include <set>
#include <variant>

namespace glimmet::store {

class Read {
public:
    Read(const nlohmann::json& value, std::string pointer, std::vector<Fault>& faults)
        : m_fields(value, std::move(pointer), faults), m_before(faults.size()) {}

    template <class T>
    void operator()(const char* name, T& value, Presence presence = Required,
                    const Limits& limits = {}) {
        const std::string key = keyed<T>(name);
        if (presence == Maybe && !m_fields.there(key.c_str())) return;
        if constexpr (isOptional<T>) {
            if (!m_fields.there(key.c_str())) {
                m_fields.fault(key.c_str(), "nothing", "a value, or null");
            } else if (m_fields.has(key.c_str())) {
                value.emplace();
                one(key.c_str(), *value, limits);
            } else {
                value.reset();
                if (presence == Maybe) m_fields.fault(key.c_str(), "null", "a value, or no field");
            }
        } else {
            one(key.c_str(), value, limits);
        }
    }

    /// Fields of a record of its own that stand among these, all or none of them.
    template <Described T>
    void flat(std::optional<T>& value) {
        bool any = false;
        const nlohmann::ordered_json keys = Write::of(T());
        for (const auto& [key, usual] : keys.items()) {
            any = m_fields.there(key.c_str()) || any;
        }
        if (any) fields(*this, value.emplace());
    }

    /// What is `format` or `version` of a document.
    void constant(const char* key, std::string_view word) { m_fields.word(key, {word}); }
    void constant(const char* key, int number) {
        m_fields.number(key, wholeBetween(number, number));
    }

    /// One of several described types; each says by a word which it is.
    template <class... Types>
    void oneOf(const char* tag, std::variant<Types...>& value,
               std::initializer_list<std::string_view> words) {
        const std::size_t chosen = m_fields.word(tag, words);
        std::size_t index = 0;
        ((index++ == chosen ? fields(*this, value.template emplace<Types>()) : void()), ...);
    }

    /// A rule over several fields, asked only where each by itself is right.
    template <class Rule>
    void holds(const char* key, Rule&& rule, const char* found, const char* allowed) {
        if (m_fields.faults().size() == m_before && !rule()) m_fields.fault(key, found, allowed);
    }

    /// No two members of a list may have the same of something.
    template <class Things, class Of>
    void unique(const char* list, const Things& things, const char* key, Of of) {
        std::set<std::string> taken;
        for (std::size_t i = 0; i < things.size(); ++i) {
            if (std::string word = of(things[i]); !taken.insert(word).second) {
                m_fields.faults().push_back({m_fields.below(list, i) + "/" + key,
                                             "what another one has too: \"" + word + "\"",
                                             "one of its own"});
            }
        }
    }

private:
    void one(const char* key, std::string& value, const Limits& limits) {
        value = m_fields.text(key, limits.longest, limits.shortest);
    }
    void one(const char* key, bool& value, const Limits&) { value = m_fields.truth(key); }
    void one(const char* key, double& value, const Limits& limits) {
        value = m_fields.number(key, limits.range);
    }
    void one(const char* key, int& value, const Limits& limits) {
        value = static_cast<int>(
            m_fields.number(key, wholeBetween(limits.range.lowest, limits.range.highest)));
    }
    template <core::Worded Enum>
    void one(const char* key, Enum& value, const Limits&) {
        value = m_fields.enumeration<Enum>(key);
    }
    template <class Quantity>
    requires isQuantity<Quantity>
    void one(const char* key, Quantity& value, const Limits& limits) {
        value = Quantity{m_fields.number(key, limits.range)};
    }
    void one(const char* key, core::Point& value, const Limits&) {
        if (const auto* found = m_fields.list(key, 2, 2)) point(*found, m_fields.below(key), value);
    }
    void one(const char* key, Outline& value, const Limits& limits) {
        if (const auto* found = m_fields.list(key, limits.fewest, mostCorners)) {
            points(*found, m_fields.below(key), value);
        }
    }
    void one(const char* key, std::vector<Outline>& value, const Limits& limits) {
        const auto* found = m_fields.list(key, 0, limits.most);
        if (!found) return;
        std::size_t index = 0;
        for (const nlohmann::json& each : *found) {
            outline(each, m_fields.below(key, index++), limits.fewest, value.emplace_back());
        }
    }
    template <Described T>
    void one(const char* key, T& value, const Limits&) {
        const auto* found = m_fields.object(key);
        if (!found) return;
        Read inner(*found, m_fields.below(key), m_fields.faults());
        fields(inner, value);
    }
    template <Described T>
    void one(const char* key, std::vector<T>& value, const Limits& limits) {
        value.clear();
        const auto* found = m_fields.list(key, limits.fewest, limits.most);
        if (!found) return;
        std::size_t index = 0;
        for (const nlohmann::json& each : *found) {
            Read inner(each, m_fields.below(key, index++), m_fields.faults());
            fields(inner, value.emplace_back());
        }
    }

    void one(const char* key, std::vector<std::string>& value, const Limits& limits) {
        value = m_fields.texts(key, limits.fewest, limits.most, limits.longest, limits.shortest);
    }

    void point(const nlohmann::json& from, const std::string& place, core::Point& to);
    void points(const nlohmann::json& from, const std::string& place, Outline& to);
    void outline(const nlohmann::json& from, const std::string& place, std::size_t fewest,
                 Outline& to);

    JsonFields m_fields;
    std::size_t m_before;
};

}  // namespace glimmet::store
