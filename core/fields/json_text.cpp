#include "core/fields/json_text.h"

#include <fmt/format.h>

#include <algorithm>
#include <iterator>
#include <nlohmann/json.hpp>
#include <set>
#include <utility>
#include <vector>

namespace pp {
namespace {

constexpr std::size_t kDeepest = 200;
constexpr std::size_t kMostValues = 2'000'000;

// Goes over the characters and says how far it is.
class Character {
 public:
  using iterator_category = std::input_iterator_tag;
  using value_type = char;
  using difference_type = std::ptrdiff_t;
  using pointer = const char*;
  using reference = const char&;

  Character(const char* at, const char** reached) : at_(at), reached_(reached) {}
  reference operator*() const { return *at_; }
  Character& operator++() {
    *reached_ = ++at_;
    return *this;
  }
  bool operator==(const Character& other) const { return at_ == other.at_; }
  bool operator!=(const Character& other) const { return at_ != other.at_; }

 private:
  const char* at_;
  const char** reached_;
};

// Makes the tree in one go. The library's own tree asks of every key whether the object has it,
// which takes time that grows with the square of their number.
class TreeMaker : public nlohmann::json_sax<OrderedJson> {
 public:
  explicit TreeMaker(OrderedJson& root) : root_(root) {}

  // What it was refused for; `found` empty: it was not.
  std::string field, found, expected;

  bool null() override { return put(OrderedJson()) != nullptr; }
  bool boolean(bool value) override { return put(OrderedJson(value)) != nullptr; }
  bool number_integer(number_integer_t value) override {
    return put(OrderedJson(value)) != nullptr;
  }
  bool number_unsigned(number_unsigned_t value) override {
    return put(OrderedJson(value)) != nullptr;
  }
  bool number_float(number_float_t value, const string_t&) override {
    return put(OrderedJson(value)) != nullptr;
  }
  bool string(string_t& value) override { return put(OrderedJson(std::move(value))) != nullptr; }
  bool binary(binary_t&) override { return false; }
  bool start_object(std::size_t) override { return enter(OrderedJson::object()); }
  bool end_object() override { return leave(); }
  bool start_array(std::size_t) override { return enter(OrderedJson::array()); }
  bool end_array() override { return leave(); }
  bool key(string_t& name) override {
    Level& level = open_.back();
    if (!level.isNew(name)) {
      level.key = name;
      return refuse(place(open_.size()), "the field a second time in one object",
                    "each field once");
    }
    level.key = std::move(name);
    return true;
  }
  bool parse_error(std::size_t, const std::string&,
                   const nlohmann::detail::exception& error) override {
    constexpr int kOutOfRange = 406;
    return error.id == kOutOfRange
               ? refuse(place(open_.size()), "a number out of range", "a number")
               : refuse({}, "", "JSON that goes on correctly here");
  }

 private:
  struct Level {
    OrderedJson* value;
    std::string key;              // of an object, the one that is read
    std::set<std::string> known;  // of an object with many

    OrderedJson::object_t& object() const { return value->get_ref<OrderedJson::object_t&>(); }
    bool isNew(const std::string& name) {
      constexpr std::size_t kFew = 16;
      const auto& fields = object();
      if (fields.size() < kFew)
        return std::none_of(fields.begin(), fields.end(),
                            [&name](const auto& one) { return one.first == name; });
      if (known.empty())
        for (const auto& one : fields) known.insert(one.first);
      return known.insert(name).second;
    }
  };

  OrderedJson* put(OrderedJson value) {
    if (++values_ > kMostValues) {
      refuse(place(1), "more than two million values", "a file of this program");
      return nullptr;
    }
    if (open_.empty()) return &(root_ = std::move(value));
    Level& level = open_.back();
    if (level.value->is_array()) {
      level.value->get_ref<OrderedJson::array_t&>().push_back(std::move(value));
      return &level.value->back();
    }
    // Past the object's own way to add, which would ask again whether it has the field.
    OrderedJson::object_t::Container& fields = level.object();
    return &fields.emplace_back(level.key, std::move(value)).second;
  }
  bool enter(OrderedJson value) {
    // A tree that deep could not be taken down again without running out of stack.
    if (open_.size() == kDeepest)
      return refuse(place(3), "lists and objects nested too deep",
                    fmt::format("at most {} levels", kDeepest));
    OrderedJson* at = put(std::move(value));
    if (at != nullptr) open_.push_back({at, {}, {}});
    return at != nullptr;
  }
  bool leave() {
    open_.pop_back();
    return true;
  }
  // The pointer to what is read, down to that level.
  std::string place(std::size_t levels) const {
    std::string out;
    for (std::size_t i = 0; i < std::min(levels, open_.size()); ++i)
      // What is being read has its place in the list already where it is a list or an object.
      out += "/" + (open_[i].value->is_array()
                        ? std::to_string(open_[i].value->size() - (i + 1 < open_.size() ? 1 : 0))
                        : shown(open_[i].key));
    return out;
  }
  bool refuse(std::string where, std::string what, std::string wanted) {
    field = std::move(where);
    found = std::move(what);
    expected = std::move(wanted);
    return false;
  }

  OrderedJson& root_;
  std::vector<Level> open_;
  std::size_t values_ = 0;
};

}  // namespace

Result<OrderedJson> parseJson(const std::string& file, std::string_view text) {
  OrderedJson out;
  TreeMaker maker(out);
  const char* const first = text.data();
  const char* const last = first + text.size();
  const char* reached = first;
  if (OrderedJson::sax_parse(Character(first, &reached), Character(last, &reached), &maker))
    return out;
  if (maker.found.empty()) {
    constexpr std::ptrdiff_t kShown = 20;
    maker.found =
        reached == last
            ? "the end of the text"
            : "'" + shown(std::string(reached - std::min(kShown, reached - first), reached)) + "'";
  }
  // What follows the last character that was read may have been looked at too.
  const auto line = 1 + std::count(first, std::max(first, reached - 1), '\n');
  return Problem{file, static_cast<std::size_t>(line), maker.field, maker.found, maker.expected};
}

namespace {

// `levels`: how many lists and objects are parted into lines.
void write(const OrderedJson& json, int levels, const char* dense, std::size_t indent,
           std::string& out) {
  constexpr int kDenseLevels = 4;
  const bool object = json.is_object();
  if (levels == 0 || json.empty() || (!object && !json.is_array())) {
    out += json.dump();
    return;
  }
  out += object ? '{' : '[';
  bool first = true;
  const auto line = [&] {
    out += first ? "\n" : ",\n";
    out.append(indent + 1, ' ');
    first = false;
  };
  if (object)
    for (const auto& [key, value] : json.get_ref<const OrderedJson::object_t&>()) {
      line();
      out += OrderedJson(key).dump() + ": ";
      const bool isDense = dense != nullptr && key == dense;
      write(value, isDense ? kDenseLevels : levels - 1, nullptr, indent + 1, out);
    }
  else
    for (const OrderedJson& one : json) {
      line();
      write(one, levels - 1, nullptr, indent + 1, out);
    }
  out += '\n';
  out.append(indent, ' ');
  out += object ? '}' : ']';
}

}  // namespace

std::string linesOf(const OrderedJson& json, const char* dense) {
  std::string out;
  write(json, static_cast<int>(kDeepest), dense, 0, out);
  return out += '\n';
}

}  // namespace pp
