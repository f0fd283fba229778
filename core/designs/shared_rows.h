// A list of values whose copies share every row until it is changed: undo keeps hundreds of jobs of
// thousands of rows and pays for the rows that differ.
#pragma once

#include <atomic>
#include <cstddef>
#include <initializer_list>
#include <iterator>
#include <memory>
#include <utility>
#include <vector>

namespace pp {

// Iterating reads; a row is changed through operator[], front() or back() of a list that is not
// const, which first gives this list a row of its own. Different threads may read and copy lists
// that share rows, and each may change its own.
template <class T>
class SharedRows {
 public:
  class const_iterator {
   public:
    using iterator_category = std::random_access_iterator_tag;
    using value_type = T;
    using difference_type = std::ptrdiff_t;
    using pointer = const T*;
    using reference = const T&;

    const_iterator() = default;
    explicit const_iterator(const std::shared_ptr<T>* at) : at_(at) {}
    reference operator*() const { return **at_; }
    pointer operator->() const { return at_->get(); }
    reference operator[](difference_type n) const { return *at_[n]; }
    const_iterator& operator++() { return ++at_, *this; }
    const_iterator& operator--() { return --at_, *this; }
    const_iterator operator++(int) { return const_iterator(at_++); }
    const_iterator operator--(int) { return const_iterator(at_--); }
    const_iterator& operator+=(difference_type n) { return at_ += n, *this; }
    const_iterator& operator-=(difference_type n) { return at_ -= n, *this; }
    friend const_iterator operator+(const_iterator a, difference_type n) { return a += n; }
    friend const_iterator operator+(difference_type n, const_iterator a) { return a += n; }
    friend const_iterator operator-(const_iterator a, difference_type n) { return a -= n; }
    friend difference_type operator-(const_iterator a, const_iterator b) { return a.at_ - b.at_; }
    auto operator<=>(const const_iterator&) const = default;

   private:
    const std::shared_ptr<T>* at_ = nullptr;
  };
  using value_type = T;
  using iterator = const_iterator;

  SharedRows() = default;
  SharedRows(std::initializer_list<T> rows) {
    for (const T& row : rows) push_back(row);
  }

  std::size_t size() const { return rows_.size(); }
  bool empty() const { return rows_.empty(); }
  const_iterator begin() const { return const_iterator(rows_.data()); }
  const_iterator end() const { return const_iterator(rows_.data() + rows_.size()); }
  const T& operator[](std::size_t i) const { return *rows_[i]; }
  const T& front() const { return *rows_.front(); }
  const T& back() const { return *rows_.back(); }
  T& operator[](std::size_t i) { return own(rows_[i]); }
  T& front() { return own(rows_.front()); }
  T& back() { return own(rows_.back()); }

  void reserve(std::size_t n) { rows_.reserve(n); }
  void clear() { rows_.clear(); }
  void push_back(T row) { rows_.push_back(std::make_shared<T>(std::move(row))); }
  // Takes over row i of another list; both share it.
  void share(const SharedRows& other, std::size_t i) { rows_.push_back(other.rows_[i]); }
  T& emplace_back() { return *rows_.emplace_back(std::make_shared<T>()); }
  template <class It>
  void append(It first, It last) {
    for (; first != last; ++first) push_back(*first);
  }
  void erase(std::size_t i) { rows_.erase(rows_.begin() + static_cast<std::ptrdiff_t>(i)); }
  void pop_back() { rows_.pop_back(); }
  // The rows a and b change places, and stay shared.
  void swapRows(std::size_t a, std::size_t b) { std::swap(rows_[a], rows_[b]); }

  // Rows that both lists share count as equal without being looked at.
  bool operator==(const SharedRows& other) const {
    if (rows_.size() != other.rows_.size()) return false;
    for (std::size_t i = 0; i < rows_.size(); ++i)
      if (rows_[i] != other.rows_[i] && !(*rows_[i] == *other.rows_[i])) return false;
    return true;
  }
  bool sharesRow(std::size_t i, const SharedRows& other, std::size_t j) const {
    return rows_[i] == other.rows_[j];
  }

 private:
  static T& own(std::shared_ptr<T>& row) {
    if (row.use_count() > 1)
      row = std::make_shared<T>(*row);
    else
      // Who gave up the last other share may have read the row on another thread just before.
      std::atomic_thread_fence(std::memory_order_acquire);
    return *row;
  }

  std::vector<std::shared_ptr<T>> rows_;
};

template <class T, class Predicate>
void erase_if(SharedRows<T>& rows, Predicate gone) {
  for (std::size_t i = rows.size(); i-- > 0;)
    if (gone(std::as_const(rows)[i])) rows.erase(i);
}

}  // namespace pp
