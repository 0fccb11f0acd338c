#include "store/json_fields.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <cmath>

namespace glimmet::store {
namespace {

using nlohmann::json;

std::string shortened(std::string words) {
    if (words.size() <= 60) return words;
    std::size_t end = 57;
    while (end > 0 && (static_cast<unsigned char>(words[end]) & 0xC0) == 0x80) --end;
    return words.substr(0, end) + "…";
}

std::string described(const json& value) {
    switch (value.type()) {
        case json::value_t::object:
            return "an object";
        case json::value_t::array:
            return "a list of " + std::to_string(value.size());
        default:
            return shortened(value.dump(-1, ' ', false, json::error_handler_t::replace));
    }
}

std::string plainNumber(double value) { return json(value).dump(); }
std::string limitWords(double value) {
    const bool whole = std::abs(value) < 1e15 && std::floor(value) >= value;
    return whole ? std::to_string(static_cast<long long>(value)) : plainNumber(value);
}

std::string lineAndColumn(std::string_view text, std::size_t byte) {
    std::size_t line = 1;
    std::size_t column = 1;
    for (std::size_t i = 0; i + 1 < byte && i < text.size(); ++i) {
        if (text[i] == '\n') {
            ++line;
            column = 1;
        } else {
            ++column;
        }
    }
    return "line " + std::to_string(line) + ", column " + std::to_string(column);
}

/// Builds the document as it is read, and sees where a key stands twice in one object.
class Builder : public nlohmann::json_sax<json> {
public:
    Builder(std::string_view text, std::vector<Fault>& faults) : m_text(text), m_faults(faults) {}
    json document;

    bool null() override { return put(nullptr); }
    bool boolean(bool value) override { return put(value); }
    bool number_integer(number_integer_t value) override { return put(value); }
    bool number_unsigned(number_unsigned_t value) override { return put(value); }
    bool number_float(number_float_t value, const std::string&) override { return put(value); }
    bool string(std::string& value) override { return put(std::move(value)); }
    bool binary(binary_t& value) override { return put(json::binary(std::move(value))); }
    bool start_object(std::size_t) override { return open(json::object()); }
    bool start_array(std::size_t) override { return open(json::array()); }
    bool end_object() override { return close(); }
    bool end_array() override { return close(); }
    bool key(std::string& name) override {
        auto& object = m_open.back()->get_ref<json::object_t&>();
        const auto [place, added] = object.emplace(std::move(name), nullptr);
        if (!added) {
            m_faults.push_back({"/…/" + pointerEscaped(place->first),
                                "the field twice in one object", "each field once"});
        }
        m_value = &place->second;
        return m_faults.size() < mostFaults;
    }
    bool parse_error(std::size_t, const std::string&, const json::exception& error) override {
        if (const auto* at = dynamic_cast<const json::parse_error*>(&error)) {
            const bool empty = m_text.find_first_not_of(" \t\r\n") == std::string_view::npos;
            m_faults.push_back({lineAndColumn(m_text, at->byte),
                                empty ? "nothing" : "what is no JSON there", "a JSON document"});
        } else {
            m_faults.push_back({"/", "a number that no double holds", "numbers up to 1.8e308"});
        }
        return false;
    }

private:
    json* place(json value) {
        if (m_open.empty()) return &(document = std::move(value));
        if (m_open.back()->is_array()) {
            auto& list = m_open.back()->get_ref<json::array_t&>();
            list.push_back(std::move(value));
            return &list.back();
        }
        return &(*m_value = std::move(value));
    }
    bool put(json value) {
        place(std::move(value));
        return true;
    }
    bool open(json value) {
        m_open.push_back(place(std::move(value)));
        return true;
    }
    bool close() {
        m_open.pop_back();
        return true;
    }

    std::string_view m_text;
    std::vector<Fault>& m_faults;
    std::vector<json*> m_open;  ///< objects and lists around the place; a list grows only when
                                ///< nothing in it is open
    json* m_value = nullptr;    ///< of the last key
};

}  // namespace

std::string pointerEscaped(std::string_view key) {
    std::string pointer;
    for (const char c : key) {
        if (c == '~')
            pointer += "~0";
        else if (c == '/')
            pointer += "~1";
        else
            pointer += c;
    }
    return pointer;
}

std::string sentence(const Fault& fault) {
    return fault.place + ": found " + fault.found + ", allowed: " + fault.allowed;
}

std::optional<json> parsedJson(std::string_view text, std::vector<Fault>& faults) {
    const std::size_t before = faults.size();
    Builder builder(text, faults);
    json::sax_parse(text.begin(), text.end(), &builder);
    if (faults.size() > before) return {};
    return std::move(builder.document);
}

bool Range::holds(double value) const {
    if (!std::isfinite(value)) return false;
    if (lowestExcluded ? !(value > lowest) : !(value >= lowest)) return false;
    if (!(value <= highest)) return false;
    return !whole || !(std::abs(value - std::round(value)) > 0);
}

std::string Range::words() const {
    const bool lower = lowest > -std::numeric_limits<double>::max();
    const bool upper = highest < std::numeric_limits<double>::max();
    std::string said = whole ? "a whole number" : "a number";
    if (lower && upper)
        return said + (lowestExcluded ? " above " : ", ") + limitWords(lowest) +
               (lowestExcluded ? " and up to " : " to ") + limitWords(highest);
    if (lower)
        return said + (lowestExcluded ? " above " + limitWords(lowest)
                                      : ", " + limitWords(lowest) + " or more");
    return said;
}

JsonFields::JsonFields(const json& value, std::string pointer, std::vector<Fault>& faults)
    : m_object(value.is_object() ? &value : nullptr),
      m_pointer(std::move(pointer)),
      m_faults(faults) {
    if (!m_object) {
        m_faults.push_back({m_pointer.empty() ? "/" : m_pointer, described(value), "an object"});
    }
}

JsonFields::~JsonFields() {
    if (!m_object) return;
    for (const auto& [key, value] : m_object->items()) {
        if (m_asked.contains(key)) continue;
        std::string allowed;
        for (const std::string& asked : m_asked) allowed += (allowed.empty() ? "" : ", ") + asked;
        m_faults.push_back(
            {m_pointer + "/" + pointerEscaped(key), "an unknown field", "only " + allowed});
    }
}

bool JsonFields::has(const char* key) const {
    if (!m_object) return false;
    const auto at = m_object->find(key);
    return at != m_object->end() && !at->is_null();
}

bool JsonFields::there(const char* key) { return !m_object || find(key, false, {}) != nullptr; }

std::string JsonFields::below(const char* key) const {
    return m_pointer + "/" + pointerEscaped(key);
}
std::string JsonFields::below(const char* key, std::size_t index) const {
    return below(key) + "/" + std::to_string(index);
}

void JsonFields::fault(const char* key, std::string found, std::string allowed) {
    m_faults.push_back({below(key), std::move(found), std::move(allowed)});
}

const json* JsonFields::find(const char* key, bool required, const std::string& allowed) {
    m_asked.insert(key);
    if (!m_object) return nullptr;
    const auto at = m_object->find(key);
    if (at != m_object->end()) return &*at;
    if (required) fault(key, "nothing", allowed);
    return nullptr;
}

std::optional<double> JsonFields::numberOrNull(const char* key, const Range& range) {
    const json* value = find(key, false, {});
    if (!value || value->is_null()) return {};
    if (!value->is_number() || !range.holds(value->get<double>())) {
        fault(key, described(*value), range.words() + ", or null");
        return {};
    }
    return value->get<double>();
}

std::optional<double> JsonFields::requiredNumberOrNull(const char* key, const Range& range) {
    if (!find(key, true, range.words() + ", or null")) return {};
    return numberOrNull(key, range);
}

double JsonFields::number(const char* key, const Range& range) {
    const json* value = find(key, true, range.words());
    if (!value) return range.holds(0) ? 0 : 1;
    if (value->is_number() && range.holds(value->get<double>())) return value->get<double>();
    fault(key, described(*value), range.words());
    return range.holds(0) ? 0 : 1;
}

double JsonFields::number(const char* key, const Range& range, double fallback) {
    return find(key, false, {}) ? number(key, range) : fallback;
}

bool JsonFields::truth(const char* key) {
    const json* value = find(key, true, "true or false");
    if (value && !value->is_boolean()) fault(key, described(*value), "true or false");
    return value && value->is_boolean() && value->get<bool>();
}

bool JsonFields::truth(const char* key, bool fallback) {
    return find(key, false, {}) ? truth(key) : fallback;
}

std::string JsonFields::text(const char* key, std::size_t longest, std::size_t shortest) {
    const std::string allowed =
        "a text of " + (shortest > 0 ? std::to_string(shortest) + " to " : std::string("up to ")) +
        std::to_string(longest) + " characters";
    const json* value = find(key, true, allowed);
    if (!value) return {};
    if (!value->is_string()) {
        fault(key, described(*value), allowed);
        return {};
    }
    auto words = value->get<std::string>();
    const auto size = static_cast<std::size_t>(
        std::count_if(words.begin(), words.end(), [](char c) { return (c & '\xC0') != '\x80'; }));
    if (size > longest || size < shortest) {
        fault(key,
              size == 0 ? "an empty text" : "a text of " + std::to_string(size) + " characters",
              allowed);
        return {};
    }
    return words;
}

std::vector<std::string> JsonFields::texts(const char* key, std::size_t fewest, std::size_t most,
                                           std::size_t longest, std::size_t shortest) {
    std::vector<std::string> all;
    const auto* found = list(key, fewest, most);
    if (!found) return all;
    for (std::size_t i = 0; i < found->size(); ++i) {
        // As the one field of an object, so that a text is read in one place.
        const nlohmann::json one{{"text", (*found)[i]}};
        std::vector<Fault> faults;
        JsonFields inner(one, {}, faults);
        all.push_back(inner.text("text", longest, shortest));
        for (Fault& fault : faults) {
            m_faults.push_back({below(key, i), std::move(fault.found), std::move(fault.allowed)});
        }
    }
    return all;
}

std::string JsonFields::text(const char* key, std::string_view fallback, std::size_t longest) {
    return find(key, false, {}) ? text(key, longest) : std::string(fallback);
}

std::size_t JsonFields::word(const char* key, std::span<const std::string_view> allowed) {
    std::string list;
    for (const std::string_view one : allowed) {
        list += (list.empty() ? "\"" : ", \"") + std::string(one) + "\"";
    }
    const json* value = find(key, true, list);
    if (!value) return 0;
    if (value->is_string()) {
        std::size_t index = 0;
        for (const std::string_view one : allowed) {
            if (value->get_ref<const std::string&>() == one) return index;
            ++index;
        }
    }
    fault(key, described(*value), list);
    return 0;
}

std::size_t JsonFields::word(const char* key, std::initializer_list<std::string_view> allowed,
                             std::size_t fallback) {
    return find(key, false, {}) ? word(key, allowed) : fallback;
}

const json* JsonFields::object(const char* key, bool required) {
    const json* value = find(key, required, "an object");
    if (!value || (value->is_null() && !required)) return nullptr;
    if (value->is_object()) return value;
    fault(key, described(*value), "an object");
    return nullptr;
}

const json* JsonFields::list(const char* key, std::size_t fewest, std::size_t most) {
    const std::string allowed =
        fewest > 0 ? "a list of at least " + std::to_string(fewest) : std::string("a list");
    const json* value = find(key, fewest > 0, allowed);
    if (!value) return nullptr;
    if (!value->is_array() || value->size() < fewest) {
        fault(key, described(*value), allowed);
        return nullptr;
    }
    if (value->size() > most) {
        fault(key, described(*value), "a list of at most " + std::to_string(most));
        return nullptr;
    }
    return value;
}

}  // namespace glimmet::store
