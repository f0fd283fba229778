// Field-by-field reading and writing of JSON objects through one description per type: a function
// `fields(archive, value)` names every field once, and serves both ways.
#pragma once

#include <fmt/format.h>

#include <cmath>
#include <nlohmann/json.hpp>
#include <optional>
#include <set>
#include <string>
#include <utility>
#include <vector>

#include "core/job/part_key.h"
#include "core/job/shared_rows.h"
#include "core/length/length.h"
#include "core/result/choices.h"
#include "core/result/result.h"

namespace pp {

using OrderedJson = nlohmann::ordered_json;

// Millimetres, or the text "24 1/2 in".
OrderedJson lengthJson(Length length, Unit unit);

// Writes one object.
class JsonWriter {
 public:
  // In inches a length that lies on a whole 64th is written as a text with its unit.
  explicit JsonWriter(Unit unit = Unit::Millimetre) : unit_(unit) {}

  Unit unit() const { return unit_; }
  OrderedJson take() { return std::move(object_); }

  void operator()(const char* name, const std::string& value) { object_[name] = value; }
  void operator()(const char* name, const Length& value) {
    object_[name] = lengthJson(value, unit_);
  }
  void operator()(const char* name, const Money& value) { object_[name] = value.asDouble(); }
  void operator()(const char* name, const Angle& value) {
    constexpr double kMillidegrees = 1000;
    object_[name] = static_cast<double>(value.inMillidegrees()) / kMillidegrees;
  }
  void operator()(const char* name, bool value) { object_[name] = value; }
  void operator()(const char* name, const PartKey& key) { object_[name] = keyText(key); }
  // An id that was not given yet is not written.
  void id(const char* name, Id value) {
    if (value != 0) object_[name] = value;
  }
  void operator()(const char* name, int value) { object_[name] = value; }
  void operator()(const char* name, std::int64_t value) { object_[name] = value; }
  void operator()(const char* name, std::size_t value) { object_[name] = value; }
  template <class T>
  void operator()(const char* name, const std::optional<T>& value) {
    if (value) (*this)(name, *value);
  }
  template <class T>
  void operator()(const char* name, const std::vector<T>& values) {
    OrderedJson list = OrderedJson::array();
    for (const T& value : values)
      if constexpr (std::is_same_v<T, std::string>)
        list.push_back(value);
      else
        list.push_back(element(value));
    object_[name] = std::move(list);
  }
  template <class T>
  void operator()(const char* name, const SharedRows<T>& rows) {
    OrderedJson list = OrderedJson::array();
    for (const T& row : rows) list.push_back(element(row));
    object_[name] = std::move(list);
  }
  template <class T>
  void operator()(const char* name, const T& value) {
    object_[name] = element(value);
  }
  template <class T>
  void must(const char* name, const T& value) {
    (*this)(name, value);
  }
  template <class T>
  void choice(const char* name, const T& value, const Choices<T>& choices) {
    for (const auto& [word, meaning] : choices)
      if (meaning == value) object_[name] = word;
  }
  // A field that is left out where it says nothing.
  template <class T>
  void unlessPlain(const char* name, const T& value, const std::type_identity_t<T>& plain = T{}) {
    if (value != plain) (*this)(name, value);
  }
  // Whether an optional field is there to be written.
  template <class T>
  bool wants(const char*, const std::optional<T>& value) {
    return value.has_value();
  }
  // A field whose JSON is made elsewhere.
  void put(const char* name, OrderedJson json) { object_[name] = std::move(json); }

 private:
  template <class T>
  OrderedJson element(const T& value) const {
    if constexpr (std::is_arithmetic_v<T>) {
      return OrderedJson(value);
    } else if constexpr (std::is_same_v<T, Length>) {
      return lengthJson(value, unit_);
    } else {
      JsonWriter inner(unit_);
      fields(
          inner,
          const_cast<T&>(value));  // the description is shared with the reader; nothing is changed
      return inner.take();
    }
  }

  OrderedJson object_ = OrderedJson::object();
  Unit unit_;
};

// Reads one object; problems of all nested readers go into one list.
class JsonReader {
 public:
  JsonReader(const OrderedJson& object, std::string pointer, Problems& problems)
      : object_(object), pointer_(std::move(pointer)), problems_(problems) {
    if (!object.is_object()) refuse(pointer_, object, "an object");
  }

  void refuse(const std::string& pointer, const OrderedJson& found, const std::string& expected) {
    constexpr std::size_t kMostProblems = 50;
    constexpr std::size_t kMostShown = 60;
    if (problems_.size() >= kMostProblems) return;
    // Only short values are quoted; a whole tree would be of no use in a message.
    const std::string text = found.is_object()  ? "an object"
                             : found.is_array() ? "a list"
                                                : shown(found.dump(), kMostShown);
    problems_.push_back({{}, 0, pointer, text, expected});
  }

  // A field that may be left out keeps its default; `must` ones may not.
  template <class T>
  void operator()(const char* name, T& value) {
    used_.insert(name);
    if (const OrderedJson* json = get(name)) read(*json, pointer_ + "/" + name, value);
  }
  template <class T>
  void must(const char* name, T& value) {
    if (object_.is_object() && get(name) == nullptr) {
      used_.insert(name);
      problems_.push_back({{}, 0, pointer_ + "/" + name, "nothing", "a value"});
      return;
    }
    (*this)(name, value);
  }
  template <class T>
  void choice(const char* name, T& value, const Choices<T>& choices) {
    used_.insert(name);
    const OrderedJson* json = get(name);
    if (json == nullptr) return;
    std::string words;
    for (const auto& [word, meaning] : choices) {
      if (*json == word) {
        value = meaning;
        return;
      }
      words += (words.empty() ? "" : ", ") + std::string(word);
    }
    refuse(pointer_ + "/" + name, *json, "one of " + words);
  }

  void id(const char* name, Id& value) { (*this)(name, value); }

  template <class T>
  void unlessPlain(const char* name, T& value, const std::type_identity_t<T>& = T{}) {
    (*this)(name, value);
  }
  // Whether an optional field is there to be read; then it has a value to read into.
  template <class T>
  bool wants(const char* name, std::optional<T>& value) {
    if (get(name) == nullptr) return false;
    value.emplace();
    return true;
  }

  const OrderedJson* get(const char* name) {
    used_.insert(name);
    if (!object_.is_object()) return nullptr;
    const auto at = object_.find(name);
    return at == object_.end() ? nullptr : &*at;
  }
  const std::string& pointer() const { return pointer_; }
  Problems& problems() { return problems_; }

  // Refuses every field that was not asked for. Call last.
  void finish() {
    if (!object_.is_object()) return;
    for (const auto& [key, value] : object_.items())
      if (used_.count(key) == 0)
        problems_.push_back({{},
                             0,
                             pointer_ + "/" + shown(key),
                             "an unknown field",
                             "only fields of this version"});
  }

  void read(const OrderedJson& json, const std::string& pointer, std::string& value) {
    if (json.is_string())
      value = json.get<std::string>();
    else
      refuse(pointer, json, "text");
  }
  void read(const OrderedJson& json, const std::string& pointer, bool& value) {
    if (json.is_boolean())
      value = json.get<bool>();
    else
      refuse(pointer, json, "true or false");
  }
  void read(const OrderedJson& json, const std::string& pointer, Length& value);
  void read(const OrderedJson& json, const std::string& pointer, PartKey& value) {
    const auto key = json.is_string() ? parseKey(json.get<std::string>()) : std::nullopt;
    if (key)
      value = *key;
    else
      refuse(pointer, json, "the key of a part, such as \"3:divider@7\"");
  }
  void read(const OrderedJson& json, const std::string& pointer, Angle& value) {
    if (const auto units = scaled(json, 1e3, 360))
      value = Angle::millidegrees(*units);
    else
      refuse(pointer, json, "degrees with at most three decimals");
  }
  void read(const OrderedJson& json, const std::string& pointer, Money& value) {
    const auto units = scaled(json, 1e4, 1e9);
    if (units && *units >= 0)
      value = Money::tenThousandths(*units);
    else
      refuse(pointer, json, "a price of 0 or more with at most four decimals");
  }
  void read(const OrderedJson& json, const std::string& pointer, std::int64_t& value) {
    if (const auto whole = scaled(json, 1, 1e12); whole && json.is_number_integer())
      value = *whole;
    else
      refuse(pointer, json, "a whole number");
  }
  void read(const OrderedJson& json, const std::string& pointer, std::size_t& value) {
    std::int64_t whole = 0;
    read(json, pointer, whole);
    if (whole < 0)
      refuse(pointer, json, "0 or more");
    else
      value = static_cast<std::size_t>(whole);
  }
  void read(const OrderedJson& json, const std::string& pointer, int& value) {
    if (const auto whole = scaled(json, 1, 1e9); whole && json.is_number_integer())
      value = static_cast<int>(*whole);
    else
      refuse(pointer, json, "a whole number");
  }
  template <class T>
  void read(const OrderedJson& json, const std::string& pointer, std::optional<T>& value) {
    T inner{};
    read(json, pointer, inner);
    value = std::move(inner);
  }
  template <class T>
  void read(const OrderedJson& json, const std::string& pointer, SharedRows<T>& rows) {
    readList(json, pointer, rows);
  }
  template <class T>
  void read(const OrderedJson& json, const std::string& pointer, std::vector<T>& values) {
    readList(json, pointer, values);
  }
  template <class List>
  void readList(const OrderedJson& json, const std::string& pointer, List& values) {
    values.clear();
    if (!json.is_array()) return refuse(pointer, json, "a list");
    for (std::size_t i = 0; i < json.size(); ++i) {
      values.emplace_back();
      read(json[i], fmt::format("{}/{}", pointer, i), values.back());
    }
  }
  template <class T>
  void read(const OrderedJson& json, const std::string& pointer, T& value) {
    JsonReader inner(json, pointer, problems_);
    fields(inner, value);
    inner.finish();
  }

 private:
  // The number times `scale` where that is whole and the number itself not beyond `most`.
  static std::optional<std::int64_t> scaled(const OrderedJson& json, double scale, double most) {
    if (!json.is_number()) return std::nullopt;
    const double value = json.get<double>();
    if (!(std::abs(value) <= most)) return std::nullopt;
    const double whole = std::round(value * scale);
    constexpr double kNoise = 0.02;  // of the last unit; a double of this size is off by far less
    if (std::abs(value * scale - whole) > kNoise) return std::nullopt;
    return static_cast<std::int64_t>(whole);
  }

  const OrderedJson& object_;
  std::string pointer_;
  Problems& problems_;
  std::set<std::string> used_;
};

// Parses text into JSON, refusing keys that stand twice in one object and anything after the end.
Result<OrderedJson> parseJson(const std::string& file, std::string_view text);

}  // namespace pp
