#include "core/formats/json_fields.h"

#include "core/length/format.h"
#include "core/length/parse.h"

#include <algorithm>

namespace pp {

namespace {

// Goes over a text once before a tree is made of it: the parser that builds one while it asks
// about every value takes time that grows with the square of a list's length.
class Watch : public nlohmann::json_sax<OrderedJson> {
 public:
  static constexpr std::size_t kDeepest = 200;
  bool tooDeep = false;
  std::string twice;  // a key that stands twice in one object

  bool null() override { return true; }
  bool boolean(bool) override { return true; }
  bool number_integer(number_integer_t) override { return true; }
  bool number_unsigned(number_unsigned_t) override { return true; }
  bool number_float(number_float_t, const string_t&) override { return true; }
  bool string(string_t&) override { return true; }
  bool binary(binary_t&) override { return true; }
  bool start_object(std::size_t) override { return enter(); }
  bool end_object() override { return leave(); }
  bool start_array(std::size_t) override { return enter(); }
  bool end_array() override { return leave(); }
  bool key(string_t& name) override {
    if (!open_.back().insert(name).second && twice.empty()) twice = name;
    return true;
  }
  // What is no JSON is said by the parser that follows.
  bool parse_error(std::size_t, const std::string&, const nlohmann::detail::exception&) override {
    return false;
  }

 private:
  // A tree that deep could not be taken down again without running out of stack.
  bool enter() {
    open_.emplace_back();
    tooDeep = tooDeep || open_.size() > kDeepest;
    return !tooDeep;
  }
  bool leave() {
    open_.pop_back();
    return true;
  }
  std::vector<std::set<std::string>> open_;
};

}  // namespace

Result<OrderedJson> parseJson(const std::string& file, std::string_view text) {
  Watch watch;
  OrderedJson::sax_parse(text, &watch);
  if (watch.tooDeep)
    return Problem{file, 0, {}, "lists and objects nested too deep", "at most 200 levels"};
  try {
    OrderedJson json = OrderedJson::parse(text);
    if (!watch.twice.empty())
      return Problem{file, 0, watch.twice, "the field a second time in one object",
                     "each field once"};
    return json;
  } catch (const OrderedJson::parse_error& error) {
    const std::size_t at = std::min(error.byte, text.size());
    const auto line =
        1 + std::count(text.begin(), text.begin() + static_cast<std::ptrdiff_t>(at), '\n');
    const std::size_t from = at > 20 ? at - 20 : 0;
    return Problem{file,
                   static_cast<std::size_t>(line),
                   {},
                   at >= text.size() ? "the end of the text"
                                     : "'" + shown(std::string(text.substr(from, at - from))) + "'",
                   "JSON that goes on correctly here"};
  } catch (const OrderedJson::exception&) {
    return Problem{file, 0, {}, "a number out of range or broken text", "JSON"};
  }
}

OrderedJson lengthJson(Length length, Unit unit) {
  if (unit == Unit::Inch) {
    const std::string text = formatExact(length, unit);
    if (text.find('.') == std::string::npos && length >= Length{}) return text;
  }
  return length.inMm();
}

void JsonReader::read(const OrderedJson& json, const std::string& pointer, Length& value) {
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

}  // namespace pp
