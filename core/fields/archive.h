// One description of a value serves every form it is kept in: a function `fields(archive, value)`
// names each field once, and an archive reads or writes it. `fields` is no template, so that a
// description is compiled once whatever reads it; json_archive.h and the store's rows are archives.
#pragma once

#include <cstdint>
#include <initializer_list>
#include <optional>
#include <span>
#include <string>
#include <type_traits>
#include <vector>

#include "core/designs/shared_rows.h"
#include "core/job/part_key.h"
#include "core/length/length.h"
#include "core/result/choices.h"

namespace pp {

class Archive;

// The words of a choice, whatever type they stand for.
struct WordTable {
  const void* rows;
  std::size_t count;
  const char* (*word)(const void* rows, std::size_t at);
};

// The rows of a list, whatever their type.
struct RowTable {
  void* rows;
  void (*each)(void* rows, Archive& element);    // every row in turn, under no name
  void (*append)(void* rows, Archive& element);  // a new last row
  void (*clear)(void* rows);
};

// A value that has fields of its own.
struct Described {
  void* value;
  void (*fields)(Archive& archive, void* value);
};

template <class T>
inline constexpr bool kIsList = false;
template <class T>
inline constexpr bool kIsList<std::vector<T>> = true;
template <class T>
inline constexpr bool kIsList<SharedRows<T>> = true;
template <class T>
inline constexpr bool kIsOptional = false;
template <class T>
inline constexpr bool kIsOptional<std::optional<T>> = true;
template <class T>
concept PlainValue =
    std::is_same_v<T, std::string> || std::is_same_v<T, Length> || std::is_same_v<T, Money> ||
    std::is_same_v<T, Angle> || std::is_same_v<T, PartKey> || std::is_same_v<T, bool> ||
    std::is_same_v<T, int> || std::is_same_v<T, std::int64_t> || std::is_same_v<T, std::size_t>;

class Archive {
 public:
  virtual ~Archive() = default;
  // Whether it reads into the values it is given; else it writes them and changes none.
  virtual bool reads() const = 0;
  // Whether it writes what is usual too.
  virtual bool saysUsual() const { return false; }

  // A field that may be left out and then keeps its value. What is neither plain, optional nor a
  // list has `fields`, or a form of its own in `field(archive, name, value)`.
  template <class T>
  void operator()(const char* name, T& value) {
    if constexpr (PlainValue<T>) {
      plain(name, value);
    } else if constexpr (kIsOptional<T>) {
      if (wants(name, value)) (*this)(name, *value);
    } else if constexpr (kIsList<T>) {
      list(name, tableOf(value));
    } else if constexpr (requires { field(*this, name, value); }) {
      field(*this, name, value);
    } else {
      object(name, {&value, [](Archive& a, void* v) { fields(a, *static_cast<T*>(v)); }});
    }
  }
  // A field that may not be left out.
  template <class T>
  void must(const char* name, T& value) {
    if (required(name)) (*this)(name, value);
  }
  // A field that is not written where it says what is usual.
  template <class T>
  void unlessDefault(const char* name, T& value, const std::type_identity_t<T>& usual = T{}) {
    if (reads() || saysUsual() || value != usual) (*this)(name, value);
  }
  // A list of many rows: what of one is as in a row that is made anew is not written.
  template <class List>
  void sparse(const char* name, List& rows) {
    using Row = typename List::value_type;
    Row usual{};
    sparseList(name, tableOf(rows),
               {&usual, [](Archive& a, void* v) { fields(a, *static_cast<Row*>(v)); }});
  }
  // One word of several.
  template <class T>
  void choice(const char* name, T& value, std::type_identity_t<Choices<T>> choices) {
    std::size_t at = choices.size();
    for (std::size_t i = 0; i < choices.size(); ++i)
      if (choices[i].value == value) at = i;
    word(name, at, {choices.data(), choices.size(), [](const void* rows, std::size_t i) {
                      return static_cast<const Choice<T>*>(rows)[i].word;
                    }});
    if (reads() && at < choices.size()) value = choices[at].value;
  }
  template <class T>
  void choice(const char* name, T& value, std::initializer_list<Choice<T>> choices) {
    choice(name, value, Choices<T>(choices.begin(), choices.size()));
  }
  // Whether an optional field is there; to be read into, it has a value then.
  template <class T>
  bool wants(const char* name, std::optional<T>& value) {
    if (!present(name, value.has_value())) return false;
    if (reads()) value = T{};
    return true;
  }

  // An id that was not given yet is not written.
  virtual void id(const char* name, Id& value) = 0;
  virtual void plain(const char* name, std::string& value) = 0;
  virtual void plain(const char* name, Length& value) = 0;
  virtual void plain(const char* name, Money& value) = 0;
  virtual void plain(const char* name, Angle& value) = 0;
  virtual void plain(const char* name, PartKey& value) = 0;
  virtual void plain(const char* name, bool& value) = 0;
  virtual void plain(const char* name, int& value) = 0;
  virtual void plain(const char* name, std::int64_t& value) = 0;
  virtual void plain(const char* name, std::size_t& value) = 0;
  // A length, or the word where there is none.
  virtual void lengthOr(const char* name, std::optional<Length>& value, const char* word) = 0;
  // Reading, `at` is the place of the word that stands there, or as it was. Writing, a place beyond
  // the last throws std::logic_error: what has no word would come back as something else.
  virtual void word(const char* name, std::size_t& at, const WordTable& words) = 0;
  virtual void list(const char* name, const RowTable& rows) = 0;
  virtual void sparseList(const char* name, const RowTable& rows, const Described&) {
    list(name, rows);
  }
  virtual void object(const char* name, const Described& value) = 0;
  // Whether the field is there: what `has` says when writing.
  virtual bool present(const char* name, bool has) = 0;
  // Whether the field is there to be read, which is a problem where it is not; always when writing.
  virtual bool required(const char* name) = 0;
  // Says what is wrong with what was read: in the field's own words, or in `found`.
  virtual void refuse(const char* name, const std::string& expected) = 0;
  virtual void refuse(const char* name, const std::string& found, const std::string& expected) = 0;
  // Of an object whose fields are named by what it holds, their names; none when writing.
  virtual std::vector<std::string> names() = 0;
  // Whether the field is there to be read and is a list.
  virtual bool isList(const char* name) = 0;

  template <class List>
  static RowTable tableOf(List& list) {
    return {&list,
            [](void* rows, Archive& element) {
              // Reading through a const list, so that rows that are shared stay shared.
              using Row = typename List::value_type;
              for (const Row& row : *static_cast<const List*>(rows))
                element(nullptr, const_cast<Row&>(row));
            },
            [](void* rows, Archive& element) {
              element(nullptr, static_cast<List*>(rows)->emplace_back());
            },
            [](void* rows) { static_cast<List*>(rows)->clear(); }};
  }
};

}  // namespace pp
