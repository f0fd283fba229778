// The kinds of cells that editable tables have: what is shown, what is typed, how it is taken in.
// `get` finds the value in the job, for reading and for changing.
#pragma once

#include "app/grid/grid_model.h"
#include "words/said.h"

namespace pp {

// A column whose cell is a length found by `get`, which gives a pointer into the job.
GridColumn lengthColumn(const QString& title, std::function<Length&(Job&, std::size_t)> get);

// The same for a length that may be left out; `absent` is shown then.
GridColumn optionalLengthColumn(const QString& title, const QString& absent,
                                std::function<std::optional<Length>&(Job&, std::size_t)> get);

// Places of a sheet that must stay free, as `x y dx dy; …`.
GridColumn defectsColumn(const QString& title,
                         std::function<std::vector<Defect>&(Job&, std::size_t)> get);

GridColumn textColumn(const QString& title, std::function<std::string&(Job&, std::size_t)> get);

GridColumn choiceColumn(const QString& title, const QStringList& words,
                        std::function<int(const Job&, std::size_t)> get,
                        std::function<void(Job&, std::size_t, int)> set);

// A material is chosen by the name it is shown under, which says its thickness too.
GridColumn materialColumn(std::function<std::string&(Job&, std::size_t)> get);

GridColumn bandingColumn(const QString& title, std::function<std::string&(Job&, std::size_t)> get);

// A whole number between two bounds.
GridColumn countColumn(const QString& title, std::int64_t least, std::int64_t most,
                       std::function<std::int64_t&(Job&, std::size_t)> get);

GridColumn quantityColumn();

GridColumn kilogramColumn(const QString& title);

GridColumn moneyColumn(const QString& title, std::function<Money&(Job&, std::size_t)> value);

template <class E>
GridColumn enumColumn(const QString& title, std::function<E&(Job&, std::size_t)> get) {
  return choiceColumn(
      title, said<E>(),
      [get](const Job& job, std::size_t row) {
        return static_cast<int>(get(const_cast<Job&>(job), row));
      },
      [get](Job& job, std::size_t row, int i) { get(job, row) = static_cast<E>(i); });
}

}  // namespace pp
