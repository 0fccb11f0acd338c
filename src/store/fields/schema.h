// The JSON Schema (draft 2020-12) of described records: what the reader takes it takes, and the
// other way round but for rules over several fields and for names that must differ.
#pragma once

#include "store/fields/described.h"
#include "store/fields/write.h"

#include <nlohmann/json.hpp>

#include <variant>

namespace glimmet::store {

class Schema {
public:
    /// A whole document.
    template <Described T>
    [[nodiscard]] static nlohmann::ordered_json of(const char* title) {
        nlohmann::ordered_json all = nlohmann::ordered_json::object();
        Schema io(all);
        fields(io, T());
        nlohmann::ordered_json made{{"$schema", "https://json-schema.org/draft/2020-12/schema"},
                                    {"title", title}};
        made.update(io.object());
        made["$defs"] = std::move(all);
        return made;
    }

    template <class T>
    void operator()(const char* name, const T&, Presence presence = Required,
                    const Limits& limits = {}) {
        const std::string key = keyed<T>(name);
        if (presence != Maybe) m_required.push_back(key);
        if constexpr (isOptional<T>) {
            nlohmann::ordered_json value =
                one(static_cast<typename T::value_type*>(nullptr), limits);
            if (presence == OrNull) value = {{"anyOf", {std::move(value), {{"type", "null"}}}}};
            m_properties[key] = std::move(value);
        } else {
            m_properties[key] = one(static_cast<T*>(nullptr), limits);
        }
    }
    template <Described T>
    void flat(const std::optional<T>&) {
        Schema inner(m_defs);
        fields(inner, T());
        for (const auto& key : inner.m_required) {
            for (const auto& [other, value] : inner.m_properties.items()) {
                if (key != other) m_together[other].push_back(key);
            }
        }
        m_properties.update(inner.m_properties);
    }
    void constant(const char* key, std::string_view word) {
        m_required.push_back(key);
        m_properties[key] = {{"const", word}};
    }
    void constant(const char* key, int number) {
        m_required.push_back(key);
        m_properties[key] = {{"const", number}};
    }
    template <class... Types>
    void oneOf(const char* tag, const std::variant<Types...>&,
               std::initializer_list<std::string_view> words) {
        nlohmann::ordered_json all = nlohmann::ordered_json::array();
        std::size_t index = 0;
        (all.push_back(alternative<Types>(tag, *(words.begin() + index++))), ...);
        m_oneOf = std::move(all);
    }
    template <class Rule>
    void holds(const char*, Rule&&, const char*, const char*) {}
    template <class Things, class Of>
    void unique(const char*, const Things&, const char*, Of) {}

private:
    explicit Schema(nlohmann::ordered_json& defs) : m_defs(defs) {}

    [[nodiscard]] nlohmann::ordered_json object() const {
        if (!m_oneOf.is_null()) return {{"oneOf", m_oneOf}};
        nlohmann::ordered_json made{{"type", "object"}, {"additionalProperties", false}};
        if (!m_required.empty()) made["required"] = m_required;
        made["properties"] = m_properties;
        if (!m_together.empty()) made["dependentRequired"] = m_together;
        return made;
    }
    template <Described T>
    nlohmann::ordered_json alternative(const char* tag, std::string_view word) {
        Schema inner(m_defs);
        inner.constant(tag, word);
        fields(inner, T());
        return inner.object();
    }
    static nlohmann::ordered_json number(const Range& range, bool whole) {
        nlohmann::ordered_json made{{"type", whole ? "integer" : "number"}};
        if (range.lowest > -std::numeric_limits<double>::max()) {
            made[range.lowestExcluded ? "exclusiveMinimum" : "minimum"] = range.lowest;
        }
        if (range.highest < std::numeric_limits<double>::max()) made["maximum"] = range.highest;
        return made;
    }
    nlohmann::ordered_json one(const std::string*, const Limits& limits) {
        nlohmann::ordered_json made{{"type", "string"}};
        if (limits.shortest > 0) made["minLength"] = limits.shortest;
        made["maxLength"] = limits.longest;
        return made;
    }
    nlohmann::ordered_json one(const bool*, const Limits&) { return {{"type", "boolean"}}; }
    nlohmann::ordered_json one(const double*, const Limits& limits) {
        return number(limits.range, false);
    }
    nlohmann::ordered_json one(const int*, const Limits& limits) {
        return number(limits.range, true);
    }
    template <core::Worded Enum>
    nlohmann::ordered_json one(const Enum*, const Limits&) {
        nlohmann::ordered_json words = nlohmann::ordered_json::array();
        for (const auto& each : wordsOf(Enum())) words.push_back(each.word);
        return {{"enum", std::move(words)}};
    }
    template <class Quantity>
    requires isQuantity<Quantity> nlohmann::ordered_json one(const Quantity*,
                                                             const Limits& limits) {
        return number(limits.range, false);
    }
    nlohmann::ordered_json one(const core::Point*, const Limits&) {
        m_defs["point"] = {{"type", "array"},
                           {"items", number(between(-farthest, farthest), false)},
                           {"minItems", 2},
                           {"maxItems", 2}};
        return {{"$ref", "#/$defs/point"}};
    }
    nlohmann::ordered_json one(const Outline*, const Limits& limits) {
        return {{"type", "array"},
                {"items", one(static_cast<const core::Point*>(nullptr), {})},
                {"minItems", limits.fewest},
                {"maxItems", mostCorners}};
    }
    nlohmann::ordered_json one(const std::vector<Outline>*, const Limits& limits) {
        return {{"type", "array"},
                {"items", one(static_cast<const Outline*>(nullptr), limits)},
                {"maxItems", limits.most}};
    }
    template <Described T>
    nlohmann::ordered_json one(const T*, const Limits&) {
        if (!m_defs.contains(schemaName<T>)) {
            m_defs[schemaName<T>] = nullptr;  // named before it is gone into
            Schema inner(m_defs);
            fields(inner, T());
            m_defs[schemaName<T>] = inner.object();
        }
        return {{"$ref", "#/$defs/" + std::string(schemaName<T>)}};
    }
    nlohmann::ordered_json one(const std::vector<std::string>*, const Limits& limits) {
        nlohmann::ordered_json made{
            {"type", "array"}, {"items", one(static_cast<const std::string*>(nullptr), limits)}};
        if (limits.fewest > 0) made["minItems"] = limits.fewest;
        made["maxItems"] = limits.most;
        return made;
    }
    template <Described T>
    nlohmann::ordered_json one(const std::vector<T>*, const Limits& limits) {
        nlohmann::ordered_json made{{"type", "array"},
                                    {"items", one(static_cast<const T*>(nullptr), {})}};
        if (limits.fewest > 0) made["minItems"] = limits.fewest;
        made["maxItems"] = limits.most;
        return made;
    }

    nlohmann::ordered_json& m_defs;
    std::vector<std::string> m_required;
    nlohmann::ordered_json m_properties = nlohmann::ordered_json::object();
    nlohmann::ordered_json m_together, m_oneOf;
};

}  // namespace glimmet::store
