// Writes described records as JSON.
#pragma once

#include "store/fields/described.h"

#include <nlohmann/json.hpp>

#include <variant>

namespace glimmet::store {

class Write {
public:
    /// A record as JSON, without what a new one has anyway.
    template <Described T>
    [[nodiscard]] static nlohmann::ordered_json of(const T& self) {
        Write io;
        fields(io, self);
        if (io.m_maybe.empty()) return std::move(io.m_out);
        static const nlohmann::ordered_json fresh = [] {
            Write usual;
            fields(usual, T());
            return std::move(usual.m_out);
        }();
        for (const std::string& key : io.m_maybe) {
            const auto usual = fresh.find(key);
            if (usual != fresh.end() && *usual == io.m_out[key]) io.m_out.erase(key);
        }
        return std::move(io.m_out);
    }

    template <class T>
    void operator()(const char* name, const T& value, Presence presence = Required,
                    const Limits& = {}) {
        std::string key = keyed<T>(name);
        if constexpr (isOptional<T>) {
            if (value)
                m_out[key] = one(*value);
            else if (presence == OrNull)
                m_out[key] = nullptr;
        } else {
            m_out[key] = one(value);
            if (presence == Maybe) m_maybe.push_back(std::move(key));
        }
    }
    template <Described T>
    void flat(const std::optional<T>& value) {
        if (value) m_out.update(of(*value));
    }
    void constant(const char* key, std::string_view word) { m_out[key] = word; }
    void constant(const char* key, int number) { m_out[key] = number; }
    template <class... Types>
    void oneOf(const char* tag, const std::variant<Types...>& value,
               std::initializer_list<std::string_view> words) {
        m_out[tag] = *(words.begin() + value.index());
        std::visit([this](const auto& chosen) { m_out.update(of(chosen)); }, value);
    }
    template <class Rule>
    void holds(const char*, Rule&&, const char*, const char*) {}
    template <class Things, class Of>
    void unique(const char*, const Things&, const char*, Of) {}

private:
    static nlohmann::ordered_json one(const std::string& value) { return value; }
    static nlohmann::ordered_json one(bool value) { return value; }
    static nlohmann::ordered_json one(double value) { return value; }
    static nlohmann::ordered_json one(int value) { return value; }
    template <core::Worded Enum>
    static nlohmann::ordered_json one(Enum value) {
        return core::name(value);
    }
    template <class Quantity>
    requires isQuantity<Quantity>
    static nlohmann::ordered_json one(const Quantity& value) { return value.value(); }
    static nlohmann::ordered_json one(const core::Point& point) {
        return nlohmann::ordered_json::array({point.x.value(), point.z.value()});
    }
    template <class T>
    static nlohmann::ordered_json one(const std::vector<T>& things) {
        nlohmann::ordered_json list = nlohmann::ordered_json::array();
        for (const T& each : things) list.push_back(one(each));
        return list;
    }
    template <Described T>
    static nlohmann::ordered_json one(const T& value) {
        return of(value);
    }

    nlohmann::ordered_json m_out = nlohmann::ordered_json::object();
    std::vector<std::string> m_maybe;
};

}  // namespace glimmet::store
