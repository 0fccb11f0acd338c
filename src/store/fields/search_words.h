// The words of described records, for the search: every text but those that are marked.
#pragma once

#include "store/fields/described.h"

#include <variant>

namespace glimmet::store {

class SearchWords {
public:
    template <Described T>
    [[nodiscard]] static std::string of(const T& self) {
        SearchWords io;
        fields(io, self);
        return std::move(io.m_words);
    }

    template <class T>
    void operator()(const char*, const T& value, Presence = Required, const Limits& limits = {}) {
        one(value, limits);
    }
    template <Described T>
    void flat(const std::optional<T>& value) {
        if (value) fields(*this, *value);
    }
    template <class Constant>
    void constant(const char*, Constant) {}
    template <class... Types>
    void oneOf(const char*, const std::variant<Types...>& value,
               std::initializer_list<std::string_view>) {
        std::visit([this](const auto& chosen) { fields(*this, chosen); }, value);
    }
    template <class Rule>
    void holds(const char*, Rule&&, const char*, const char*) {}
    template <class Things, class Of>
    void unique(const char*, const Things&, const char*, Of) {}

private:
    void one(const std::string& value, const Limits& limits) {
        if (limits.searched && !value.empty()) m_words += value + "\n";
    }
    template <Described T>
    void one(const T& value, const Limits&) {
        fields(*this, value);
    }
    template <class T>
    void one(const std::vector<T>& things, const Limits& limits) {
        for (const T& each : things) one(each, limits);
    }
    template <class T>
    void one(const std::optional<T>& value, const Limits& limits) {
        if (value) one(*value, limits);
    }
    template <class T>
    void one(const T&, const Limits&) {}  // numbers and enumerations say nothing to a search

    std::string m_words;
};

}  // namespace glimmet::store
