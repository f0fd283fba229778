#include "core/fields/json_archive.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <nlohmann/json.hpp>
#include <stdexcept>
#include <utility>

#include "core/length/format.h"
#include "core/length/parse.h"

namespace pp {

OrderedJson lengthJson(Length length, Unit unit) {
  if (unit == Unit::Inch) {
    const std::string text = formatExact(length, unit);
    if (text.find('.') == std::string::npos && length >= Length{}) return text;
  }
  return length.inMm();
}

Problems readJson(const std::string& file, std::string_view text,
                  const std::function<void(OrderedJson& json, Problems& problems)>& take) {
  auto json = parseJson(file, text);
  if (!json) return json.problems();
  Problems problems;
  take(json.value(), problems);
  for (Problem& problem : problems) problem.file = file;
  return problems;
}

Problems readObject(const std::string& file, std::string_view text,
                    const std::function<void(JsonReader&)>& read, const std::string& pointer) {
  return readJson(file, text, [&](OrderedJson& json, Problems& problems) {
    JsonReader reader(json, pointer, problems);
    read(reader);
    reader.finish();
  });
}

std::string listText(const RowTable& rows, bool indented) {
  constexpr const char* kRows = "rows";
  JsonWriter writer;
  writer.list(kRows, rows);
  const OrderedJson list = writer.take()[kRows];
  return indented ? linesOf(list) : list.dump();
}

Problems readList(std::string_view text, const std::string& pointer, const RowTable& rows) {
  return readJson({}, text, [&](OrderedJson& list, Problems& problems) {
    const OrderedJson object = {{pointer, std::move(list)}};
    JsonReader(object, {}, problems).list(pointer.c_str(), rows);
  });
}

namespace {

void replaceIn(
    OrderedJson& json,
    const std::function<std::string(const std::string& field, const std::string& text)>& with) {
  if (json.is_array())
    for (OrderedJson& one : json) replaceIn(one, with);
  if (!json.is_object()) return;
  for (auto& [field, value] : json.get_ref<OrderedJson::object_t&>())
    if (value.is_string())
      value = with(field, value.get_ref<const std::string&>());
    else
      replaceIn(value, with);
}

}  // namespace

std::string withTexts(
    const std::string& json,
    const std::function<std::string(const std::string& field, const std::string& text)>& with) {
  OrderedJson out = OrderedJson::parse(json);
  replaceIn(out, with);
  return out.dump();
}

JsonWriter::JsonWriter(Unit unit, Length (*said)(Length))
    : made_(std::make_unique<OrderedJson>(OrderedJson::object())), unit_(unit), said_(said) {}
JsonWriter::~JsonWriter() = default;

OrderedJson JsonWriter::take() {
  return std::move(*made_);
}
void JsonWriter::written(const char* name, const std::string& json) {
  put(name, OrderedJson::parse(json));
}
std::string JsonWriter::text() {
  return made_->dump();
}
std::string JsonWriter::indented(const char* dense) {
  return linesOf(*made_, dense);
}
std::string JsonWriter::line() {
  return made_->dump(-1, ' ', true, OrderedJson::error_handler_t::replace);
}

bool JsonWriter::required(const char* name) {
  required_ = name;
  return true;
}

void JsonWriter::put(const char* name, OrderedJson value) {
  const bool must = required_ != nullptr && name != nullptr && std::string_view(required_) == name;
  if (usual_ != nullptr && name != nullptr && !must)
    if (const auto at = usual_->find(name); at != usual_->end() && *at == value) return;
  if (name == nullptr)
    made_->push_back(std::move(value));
  else
    (*made_)[name] = std::move(value);
}

void JsonWriter::id(const char* name, Id& value) {
  if (value != 0) put(name, value);
}
void JsonWriter::plain(const char* name, std::string& value) {
  put(name, value);
}
void JsonWriter::plain(const char* name, Length& value) {
  put(name, lengthJson(said_ == nullptr ? value : said_(value), unit_));
}
void JsonWriter::plain(const char* name, Money& value) {
  put(name, value.asDouble());
}
void JsonWriter::plain(const char* name, Angle& value) {
  constexpr double kMillidegrees = 1000;
  put(name, static_cast<double>(value.inMillidegrees()) / kMillidegrees);
}
void JsonWriter::plain(const char* name, PartKey& value) {
  put(name, keyText(value));
}
void JsonWriter::plain(const char* name, bool& value) {
  put(name, value);
}
void JsonWriter::plain(const char* name, int& value) {
  put(name, value);
}
void JsonWriter::plain(const char* name, std::int64_t& value) {
  put(name, value);
}
void JsonWriter::plain(const char* name, std::size_t& value) {
  put(name, value);
}
void JsonWriter::lengthOr(const char* name, std::optional<Length>& value, const char* word) {
  if (value)
    plain(name, *value);
  else
    put(name, OrderedJson(word));
}
void JsonWriter::word(const char* name, std::size_t& at, const WordTable& words) {
  if (at >= words.count)
    throw std::logic_error(std::string("there is no word for the value of ") + name);
  put(name, words.word(words.rows, at));
}
void JsonWriter::list(const char* name, const RowTable& rows) {
  JsonWriter inner(unit_, said_);
  *inner.made_ = OrderedJson::array();
  rows.each(rows.rows, inner);
  put(name, inner.take());
}
void JsonWriter::sparseList(const char* name, const RowTable& rows, const Described& usual) {
  JsonWriter one(unit_, said_);
  usual.fields(one, usual.value);
  const OrderedJson row = one.take();
  JsonWriter inner(unit_, said_);
  *inner.made_ = OrderedJson::array();
  inner.usual_ = &row;
  rows.each(rows.rows, inner);
  put(name, inner.take());
}
void JsonWriter::object(const char* name, const Described& value) {
  JsonWriter inner(unit_, said_);
  if (name == nullptr) inner.usual_ = usual_;
  value.fields(inner, value.value);
  put(name, inner.take());
}

namespace {

// The number times `scale` where that is whole and the number itself not beyond `most`.
std::optional<std::int64_t> scaled(const OrderedJson& json, double scale, double most) {
  if (!json.is_number()) return std::nullopt;
  const double value = json.get<double>();
  if (!(std::abs(value) <= most)) return std::nullopt;
  const double whole = std::round(value * scale);
  constexpr double kNoise = 0.02;  // of the last unit; a double of this size is off by far less
  if (std::abs(value * scale - whole) > kNoise) return std::nullopt;
  return static_cast<std::int64_t>(whole);
}

}  // namespace

JsonReader::JsonReader(const OrderedJson& object, std::string pointer, Problems& problems)
    : json_(object), pointer_(std::move(pointer)), problems_(problems) {
  if (object.is_object())
    asked_.resize(object.size());
  else
    refuse(pointer_, object, "an object");
}
JsonReader::JsonReader(const OrderedJson& value, std::string pointer, Problems& problems, Element)
    : json_(value), pointer_(std::move(pointer)), problems_(problems) {}

std::string JsonReader::at(const char* name) const {
  return name == nullptr ? pointer_ : pointer_ + "/" + name;
}

const OrderedJson* JsonReader::get(const char* name) {
  if (name == nullptr) return &json_;
  if (!json_.is_object()) return nullptr;
  const auto& fields = json_.get_ref<const OrderedJson::object_t&>();
  std::size_t i = 0;
  for (const auto& [key, value] : fields) {
    if (key == name) {
      asked_[i] = true;
      return &value;
    }
    ++i;
  }
  return nullptr;
}

std::string JsonReader::textOf(const char* name) {
  const OrderedJson* json = get(name);
  return json == nullptr ? std::string() : json->dump();
}

void JsonReader::refuse(const std::string& pointer, const OrderedJson& found,
                        const std::string& expected) {
  constexpr std::size_t kMostProblems = 50;
  constexpr std::size_t kMostShown = 60;
  if (problems_.size() >= kMostProblems) return;
  // Only short values are quoted; a whole tree would be of no use in a message.
  const std::string text = found.is_object()  ? "an object"
                           : found.is_array() ? "a list"
                                              : shown(found.dump(), kMostShown);
  problems_.push_back({{}, 0, pointer, text, expected});
}
void JsonReader::refuse(const char* name, const std::string& expected) {
  const OrderedJson* json = get(name);
  refuse(at(name), json == nullptr ? OrderedJson() : *json, expected);
}
void JsonReader::refuse(const char* name, const std::string& found, const std::string& expected) {
  problems_.push_back({{}, 0, at(name), found, expected});
}

bool JsonReader::is(const char* format, int first, int last) {
  std::string found;
  int version = 0;
  const std::size_t before = problems_.size();
  must("format", found);
  must("version", version);
  if (problems_.size() == before && (found != format || version < first || version > last)) {
    const std::string versions =
        first == last ? std::to_string(first) : fmt::format("{} to {}", first, last);
    refuse("format", fmt::format("'{}', version {}", shown(found), version),
           fmt::format("'{}', version {}", format, versions));
  }
  if (problems_.size() == before) return true;
  asked_.assign(asked_.size(), true);
  return false;
}

void JsonReader::finish() {
  if (!json_.is_object()) return;
  const auto& fields = json_.get_ref<const OrderedJson::object_t&>();
  std::size_t i = 0;
  for (const auto& [key, value] : fields)
    if (!asked_[i++])
      problems_.push_back(
          {{}, 0, pointer_ + "/" + shown(key), "an unknown field", "only fields of this version"});
}

bool JsonReader::present(const char* name, bool) {
  return get(name) != nullptr;
}
bool JsonReader::required(const char* name) {
  if (!json_.is_object() || get(name) != nullptr) return true;
  refuse(name, "nothing", "a value");
  return false;
}
std::vector<std::string> JsonReader::names() {
  std::vector<std::string> out;
  if (json_.is_object())
    for (const auto& [name, value] : json_.get_ref<const OrderedJson::object_t&>())
      out.push_back(name);
  return out;
}
bool JsonReader::isList(const char* name) {
  const OrderedJson* json = get(name);
  return json != nullptr && json->is_array();
}

void JsonReader::plain(const char* name, std::string& value) {
  const OrderedJson* json = get(name);
  if (json == nullptr) return;
  if (json->is_string())
    value = json->get_ref<const std::string&>();
  else
    refuse(at(name), *json, "text");
}
void JsonReader::plain(const char* name, bool& value) {
  const OrderedJson* json = get(name);
  if (json == nullptr) return;
  if (json->is_boolean())
    value = json->get<bool>();
  else
    refuse(at(name), *json, "true or false");
}
void JsonReader::length(const OrderedJson& json, const std::string& pointer, Length& value) {
  if (json.is_string()) {
    const auto length = parseLength(json.get<std::string>(), std::nullopt);
    if (length) {
      value = length.value();
      return;
    }
  } else if (const auto nm = scaled(json, 1e6, 1e6)) {
    value = Length::nm(*nm);
    return;
  }
  refuse(pointer, json, "millimetres with at most six decimals, or a text with its unit");
}
void JsonReader::plain(const char* name, Length& value) {
  if (const OrderedJson* json = get(name)) length(*json, at(name), value);
}
void JsonReader::lengthOr(const char* name, std::optional<Length>& value, const char* word) {
  const OrderedJson* json = get(name);
  if (json == nullptr) return;
  value.reset();
  if (*json != word) length(*json, at(name), value.emplace());
}
void JsonReader::plain(const char* name, PartKey& value) {
  const OrderedJson* json = get(name);
  if (json == nullptr) return;
  const auto key = json->is_string() ? parseKey(json->get<std::string>()) : std::nullopt;
  if (key)
    value = *key;
  else
    refuse(at(name), *json, "the key of a part, such as \"3:divider@7\"");
}
void JsonReader::plain(const char* name, Angle& value) {
  const OrderedJson* json = get(name);
  if (json == nullptr) return;
  if (const auto units = scaled(*json, 1e3, 360))
    value = Angle::millidegrees(*units);
  else
    refuse(at(name), *json, "degrees with at most three decimals");
}
void JsonReader::plain(const char* name, Money& value) {
  const OrderedJson* json = get(name);
  if (json == nullptr) return;
  const auto units = scaled(*json, 1e4, 1e9);
  if (units && *units >= 0)
    value = Money::tenThousandths(*units);
  else
    refuse(at(name), *json, "a price of 0 or more with at most four decimals");
}
void JsonReader::plain(const char* name, std::int64_t& value) {
  const OrderedJson* json = get(name);
  if (json == nullptr) return;
  if (const auto whole = scaled(*json, 1, 1e12); whole && json->is_number_integer())
    value = *whole;
  else
    refuse(at(name), *json, "a whole number");
}
void JsonReader::plain(const char* name, std::size_t& value) {
  const OrderedJson* json = get(name);
  if (json == nullptr) return;
  std::int64_t whole = 0;
  plain(name, whole);
  if (whole < 0)
    refuse(at(name), *json, "0 or more");
  else
    value = static_cast<std::size_t>(whole);
}
void JsonReader::plain(const char* name, int& value) {
  const OrderedJson* json = get(name);
  if (json == nullptr) return;
  if (const auto whole = scaled(*json, 1, 1e9); whole && json->is_number_integer())
    value = static_cast<int>(*whole);
  else
    refuse(at(name), *json, "a whole number");
}
void JsonReader::word(const char* name, std::size_t& at, const WordTable& words) {
  const OrderedJson* json = get(name);
  if (json == nullptr) return;
  const std::string* text = json->is_string() ? &json->get_ref<const std::string&>() : nullptr;
  std::string all;
  for (std::size_t i = 0; i < words.count; ++i) {
    const char* word = words.word(words.rows, i);
    if (text != nullptr && *text == word) {
      at = i;
      return;
    }
    all += (all.empty() ? "" : ", ") + std::string(word);
  }
  refuse(this->at(name), *json, "one of " + all);
}
void JsonReader::list(const char* name, const RowTable& rows) {
  const OrderedJson* json = get(name);
  if (json == nullptr) return;
  rows.clear(rows.rows);
  if (!json->is_array()) return refuse(at(name), *json, "a list");
  const std::string pointer = at(name);
  for (std::size_t i = 0; i < json->size(); ++i) {
    JsonReader element((*json)[i], fmt::format("{}/{}", pointer, i), problems_, Element{});
    rows.append(rows.rows, element);
  }
}
void JsonReader::object(const char* name, const Described& value) {
  const OrderedJson* json = get(name);
  if (json == nullptr) return;
  JsonReader inner(*json, at(name), problems_);
  value.fields(inner, value.value);
  inner.finish();
}

}  // namespace pp
