// JSON to and from values, by the one description of their fields; see archive.h.
#pragma once

#include <functional>
#include <memory>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "core/fields/archive.h"
#include "core/fields/json_text.h"
#include "core/result/result.h"

namespace pp {

// Millimetres, or the text "24 1/2 in".
OrderedJson lengthJson(Length length, Unit unit);

// Writes one object.
class JsonWriter : public Archive {
 public:
  // In inches a length that lies on a whole 64th is written as a text with its unit.
  // `said`: what is written in place of each length.
  explicit JsonWriter(Unit unit = Unit::Millimetre, Length (*said)(Length) = nullptr);
  ~JsonWriter() override;

  OrderedJson take();
  // A field that is in millimetres, whatever the others are in.
  template <class T>
  void inMillimetres(const char* name, T& value) {
    const Unit unit = std::exchange(unit_, Unit::Millimetre);
    (*this)(name, value);
    unit_ = unit;
  }
  // A field that is JSON already.
  void written(const char* name, const std::string& json);
  std::string text();  // without a space or line end
  // A line a field, as files are; of the field `dense` a line a row.
  std::string indented(const char* dense = nullptr);
  // On one line, what is no UTF-8 replaced and what is no ASCII escaped.
  std::string line();

  bool reads() const override { return false; }
  bool saysUsual() const override { return said_ != nullptr; }
  void id(const char* name, Id& value) override;
  void plain(const char* name, std::string& value) override;
  void plain(const char* name, Length& value) override;
  void plain(const char* name, Money& value) override;
  void plain(const char* name, Angle& value) override;
  void plain(const char* name, PartKey& value) override;
  void plain(const char* name, bool& value) override;
  void plain(const char* name, int& value) override;
  void plain(const char* name, std::int64_t& value) override;
  void plain(const char* name, std::size_t& value) override;
  void lengthOr(const char* name, std::optional<Length>& value, const char* word) override;
  void word(const char* name, std::size_t& at, const WordTable& words) override;
  void list(const char* name, const RowTable& rows) override;
  void sparseList(const char* name, const RowTable& rows, const Described& usual) override;
  void object(const char* name, const Described& value) override;
  bool present(const char*, bool has) override { return has; }
  bool required(const char* name) override;
  void refuse(const char*, const std::string&) override {}
  void refuse(const char*, const std::string&, const std::string&) override {}
  std::vector<std::string> names() override { return {}; }
  bool isList(const char*) override { return false; }

 private:
  void put(const char* name, OrderedJson value);

  std::unique_ptr<OrderedJson> made_;  // an object, or a list
  Unit unit_;
  Length (*said_)(Length);
  const OrderedJson* usual_ = nullptr;  // what need not be said of it
  const char* required_ = nullptr;      // the field that must be
};

// Reads one object; problems of all nested readers go into one list.
class JsonReader : public Archive {
 public:
  JsonReader(const OrderedJson& object, std::string pointer, Problems& problems);

  bool reads() const override { return true; }
  void id(const char* name, Id& value) override { plain(name, value); }
  void plain(const char* name, std::string& value) override;
  void plain(const char* name, Length& value) override;
  void plain(const char* name, Money& value) override;
  void plain(const char* name, Angle& value) override;
  void plain(const char* name, PartKey& value) override;
  void plain(const char* name, bool& value) override;
  void plain(const char* name, int& value) override;
  void plain(const char* name, std::int64_t& value) override;
  void plain(const char* name, std::size_t& value) override;
  void lengthOr(const char* name, std::optional<Length>& value, const char* word) override;
  void word(const char* name, std::size_t& at, const WordTable& words) override;
  void list(const char* name, const RowTable& rows) override;
  void object(const char* name, const Described& value) override;
  bool present(const char* name, bool has) override;
  bool required(const char* name) override;
  void refuse(const char* name, const std::string& expected) override;
  void refuse(const char* name, const std::string& found, const std::string& expected) override;
  std::vector<std::string> names() override;
  bool isList(const char* name) override;

  // Whether `format` and `version` say that it is one of ours, of one of these versions; a problem
  // where not, and nothing else of it is then asked for.
  bool is(const char* format, int first, int last);
  // What stands in that field, as a text of its own; empty where nothing does.
  std::string textOf(const char* name);
  // Refuses every field that was not asked for. Call last.
  void finish();

 private:
  struct Element {};
  JsonReader(const OrderedJson& value, std::string pointer, Problems& problems, Element);

  std::string at(const char* name) const;
  // What stands in that field; null where nothing does.
  const OrderedJson* get(const char* name);
  void refuse(const std::string& pointer, const OrderedJson& found, const std::string& expected);
  void length(const OrderedJson& json, const std::string& pointer, Length& value);

  const OrderedJson& json_;  // an object, or one value of a list, which goes without a name
  std::string pointer_;
  Problems& problems_;
  std::vector<bool> asked_;  // for each field that is there
};

// A list as a text, on one line or a line a field.
std::string listText(const RowTable& rows, bool indented = false);
template <class List>
std::string listText(List& list, bool indented = false) {
  return listText(Archive::tableOf(list), indented);
}
// Reads such a text; problems say that it stands at `pointer`.
Problems readList(std::string_view text, const std::string& pointer, const RowTable& rows);
// The JSON with every text in it replaced by what `with` makes of it and the field it stands in.
// Precondition: it is JSON.
std::string withTexts(
    const std::string& json,
    const std::function<std::string(const std::string& field, const std::string& text)>& with);

// Reads a text into JSON, which `take` may change before it reads it. Keys that stand twice in one
// object and anything after the end are refused; problems name the file, and none means that it was
// read.
Problems readJson(const std::string& file, std::string_view text,
                  const std::function<void(OrderedJson& json, Problems& problems)>& take);

// Reads a text that is one object, said to stand at `pointer`. Fields that `read` does not ask for
// are refused; problems name the file, and none means that it was read.
Problems readObject(const std::string& file, std::string_view text,
                    const std::function<void(JsonReader&)>& read, const std::string& pointer = {});

}  // namespace pp
