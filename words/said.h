// How the values of every enum are said in the window: one table an enum.
#pragma once

#include <QStringList>

namespace pp {

// Of every value, in the enum's order. An enum without a table does not link.
template <class E>
const QStringList& said();

template <class E>
QString said(E value) {
  return said<E>().value(static_cast<int>(value));
}

}  // namespace pp
