#include "core/formats/json_fields.h"

#include <algorithm>

namespace pp {

Result<OrderedJson> parseJson(const std::string& file, std::string_view text) {
  std::vector<std::set<std::string>> keys;
  std::string twice;
  constexpr int kDeepest = 200;
  bool tooDeep = false;
  // What lies too deep is left out while it is read: a tree of it could not even be taken down
  // again without running out of stack.
  const auto watch = [&](int depth, OrderedJson::parse_event_t event, OrderedJson& parsed) {
    tooDeep = tooDeep || depth > kDeepest;
    if (tooDeep) return false;
    if (event == OrderedJson::parse_event_t::object_start) keys.emplace_back();
    if (event == OrderedJson::parse_event_t::object_end) keys.pop_back();
    if (event == OrderedJson::parse_event_t::key &&
        !keys.back().insert(parsed.get<std::string>()).second && twice.empty())
      twice = parsed.get<std::string>();
    return true;
  };
  try {
    OrderedJson json = OrderedJson::parse(text, watch);
    if (tooDeep) return Problem{file, 0, {}, "lists and objects nested too deep", "at most 200 levels"};
    if (!twice.empty())
      return Problem{file, 0, twice, "the field a second time in one object", "each field once"};
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

}  // namespace pp
