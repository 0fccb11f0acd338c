#include "store/schema_check.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <cmath>

namespace glimmet::store {
namespace {

using nlohmann::json;

class Check {
public:
    Check(const json& schema, std::vector<Fault>& faults) : m_whole(schema), m_faults(faults) {}

    void value(const json& value, const json& schema, const std::string& place) {
        if (m_faults.size() >= mostFaults) return;
        if (const auto ref = schema.find("$ref"); ref != schema.end()) {
            const std::string name = ref->get<std::string>().substr(std::string("#/$defs/").size());
            this->value(value, m_whole["$defs"][name], place);
            return;
        }
        if (const auto type = schema.find("type"); type != schema.end() && !is(value, *type)) {
            fault(place, value,
                  type->is_string() ? "a value of type " + type->get<std::string>()
                                    : "a value of type " + type->dump());
            return;
        }
        if (const auto one = schema.find("const"); one != schema.end() && value != *one) {
            fault(place, value, one->dump());
        }
        if (const auto all = schema.find("enum");
            all != schema.end() && std::find(all->begin(), all->end(), value) == all->end()) {
            std::string words;
            for (const json& each : *all) words += (words.empty() ? "" : ", ") + each.dump();
            fault(place, value, words);
        }
        if (value.is_number()) number(value, schema, place);
        if (value.is_string()) text(value, schema, place);
        if (value.is_array()) list(value, schema, place);
        if (value.is_object()) object(value, schema, place);
        if (schema.contains("if")) {
            std::vector<Fault> otherwise;
            Check condition(m_whole, otherwise);
            condition.value(value, schema["if"], place);
            if (otherwise.empty()) this->value(value, schema["then"], place);
        }
    }

private:
    static bool is(const json& value, const json& type) {
        if (type.is_array()) {
            return std::any_of(type.begin(), type.end(),
                               [&](const json& each) { return is(value, each); });
        }
        const auto word = type.get<std::string>();
        if (word == "object") return value.is_object();
        if (word == "array") return value.is_array();
        if (word == "string") return value.is_string();
        if (word == "boolean") return value.is_boolean();
        if (word == "null") return value.is_null();
        return value.is_number() && std::isfinite(value.get<double>());
    }
    void fault(const std::string& place, const json& found, std::string allowed) {
        std::string words = found.is_structured()
                                ? (found.is_object() ? "an object" : "a list")
                                : found.dump(-1, ' ', false, json::error_handler_t::replace);
        if (words.size() > 80) words = "a text of " + std::to_string(words.size()) + " bytes";
        m_faults.push_back({place.empty() ? "/" : place, std::move(words), std::move(allowed)});
    }
    void number(const json& value, const json& schema, const std::string& place) {
        const double number = value.get<double>();
        const auto bound = [&](const char* key, auto within, const char* words) {
            const auto at = schema.find(key);
            if (at != schema.end() && !within(number, at->get<double>())) {
                fault(place, value, words + at->dump());
            }
        };
        bound(
            "minimum", [](double a, double b) { return a >= b; }, "a number of at least ");
        bound(
            "exclusiveMinimum", [](double a, double b) { return a > b; }, "a number above ");
        bound(
            "maximum", [](double a, double b) { return a <= b; }, "a number of at most ");
    }
    void size(const json& value, std::size_t size, const json& schema, const std::string& place,
              const char* least, const char* most, const char* what) {
        if (schema.contains(least) && size < schema[least].get<std::size_t>()) {
            fault(place, value, "at least " + schema[least].dump() + what);
        }
        if (schema.contains(most) && size > schema[most].get<std::size_t>()) {
            fault(place, value, "at most " + schema[most].dump() + what);
        }
    }
    void text(const json& value, const json& schema, const std::string& place) {
        size(value, value.get_ref<const std::string&>().size(), schema, place, "minLength",
             "maxLength", " characters");
    }
    void list(const json& value, const json& schema, const std::string& place) {
        size(value, value.size(), schema, place, "minItems", "maxItems", " of them");
        const auto items = schema.find("items");
        if (items == schema.end()) return;
        std::size_t index = 0;
        for (const json& each : value) {
            this->value(each, *items, place + "/" + std::to_string(index++));
        }
    }
    void object(const json& value, const json& schema, const std::string& place) {
        const auto properties = schema.find("properties");
        const bool only = schema.value("additionalProperties", true) == false;
        for (const auto& [key, member] : value.items()) {
            if (properties == schema.end()) break;
            const auto known = properties->find(key);
            const std::string at = place + "/" + pointerEscaped(key);
            if (known != properties->end()) {
                this->value(member, *known, at);
            } else if (only) {
                m_faults.push_back({at, "an unknown field", "only known ones"});
            }
        }
        if (const auto required = schema.find("required"); required != schema.end()) {
            for (const json& key : *required) needs(value, key, place);
        }
        if (const auto together = schema.find("dependentRequired"); together != schema.end()) {
            for (const auto& [key, others] : together->items()) {
                if (!value.contains(key)) continue;
                for (const json& other : others) needs(value, other, place);
            }
        }
    }
    void needs(const json& value, const json& key, const std::string& place) {
        const auto& word = key.get_ref<const std::string&>();
        if (!value.contains(word)) m_faults.push_back({place + "/" + word, "nothing", "a value"});
    }

    const json& m_whole;
    std::vector<Fault>& m_faults;
};

}  // namespace

void checked(const json& document, const json& schema, std::vector<Fault>& faults) {
    Check(schema, faults).value(document, schema, "");
}

}  // namespace glimmet::store
