#include "app/grid/cells.h"

#include <QObject>
#include <limits>

#include "core/formats/defect_text.h"
#include "core/length/parse.h"
#include "words/figures.h"
#include "words/tr.h"

namespace pp {
GridColumn lengthColumn(const QString& title, std::function<Length&(Job&, std::size_t)> get) {
  const auto read = [get](const Job& job, std::size_t row) {
    return get(const_cast<Job&>(job), row);
  };
  GridColumn out;
  out.title = title;
  out.number = out.length = true;
  out.value = [read](const Job& job, std::size_t row) {
    return static_cast<double>(read(job, row).inNm());
  };
  out.tip = [read](const Job& job, std::size_t row) {
    return offTip(read(job, row), styleOf(job));
  };
  out.shown = [read](const Job& job, std::size_t row) {
    return figure(read(job, row), styleOf(job));
  };
  out.typed = [read](const Job& job, std::size_t row) {
    return typed(read(job, row), styleOf(job));
  };
  out.set = [get](Job& job, std::size_t row, const QString& text) -> Problems {
    const auto length = parseExpression(text.toStdString(), job.unit);
    if (!length) return length.problems();
    get(job, row) = length.value();
    return {};
  };
  return out;
}

GridColumn optionalLengthColumn(const QString& title, const QString& absent,
                                std::function<std::optional<Length>&(Job&, std::size_t)> get) {
  const auto read = [get](const Job& job, std::size_t row) {
    return get(const_cast<Job&>(job), row);
  };
  GridColumn out;
  out.title = title;
  out.number = out.length = true;
  out.value = [read](const Job& job, std::size_t row) {
    return static_cast<double>(read(job, row).value_or(Length::nm(-1)).inNm());
  };
  out.tip = [read](const Job& job, std::size_t row) {
    const auto length = read(job, row);
    return length ? offTip(*length, styleOf(job)) : QString();
  };
  out.shown = [read, absent](const Job& job, std::size_t row) {
    const auto length = read(job, row);
    return length ? figure(*length, styleOf(job)) : absent;
  };
  out.typed = [read](const Job& job, std::size_t row) {
    const auto length = read(job, row);
    return length ? typed(*length, styleOf(job)) : QString();
  };
  out.set = [get, absent](Job& job, std::size_t row, const QString& text) -> Problems {
    if (text.isEmpty() || text == absent) {
      get(job, row).reset();
      return {};
    }
    const auto length = parseExpression(text.toStdString(), job.unit);
    if (!length) return length.problems();
    get(job, row) = length.value();
    return {};
  };
  return out;
}

GridColumn defectsColumn(const QString& title,
                         std::function<std::vector<Defect>&(Job&, std::size_t)> get) {
  const auto words = [get](const Job& job, std::size_t row) {
    return qs(defectsText(get(const_cast<Job&>(job), row), job.unit));
  };
  GridColumn out;
  out.title = title;
  out.shown = out.typed = words;
  out.tip = [](const Job&, std::size_t) {
    return QObject::tr(
        "Places that no part may have: x y dx dy, from the lower left corner, x along the length; "
        "several are parted by semicolons");
  };
  out.set = [get](Job& job, std::size_t row, const QString& text) -> Problems {
    auto places = parseDefects(text.toStdString(), job.unit);
    if (!places) return places.problems();
    get(job, row) = std::move(places).value();
    return {};
  };
  return out;
}

GridColumn textColumn(const QString& title, std::function<std::string&(Job&, std::size_t)> get) {
  GridColumn out;
  out.title = title;
  out.shown = [get](const Job& job, std::size_t row) {
    return qs(get(const_cast<Job&>(job), row));
  };
  out.typed = out.shown;
  out.set = [get](Job& job, std::size_t row, const QString& text) -> Problems {
    get(job, row) = text.toStdString();
    return {};
  };
  return out;
}

GridColumn choiceColumn(const QString& title, const QStringList& words,
                        std::function<int(const Job&, std::size_t)> get,
                        std::function<void(Job&, std::size_t, int)> set) {
  GridColumn out;
  out.title = title;
  out.shown = [words, get](const Job& job, std::size_t row) { return words.value(get(job, row)); };
  out.typed = out.shown;
  out.choices = [words](const Job&) { return words; };
  out.set = [words, set](Job& job, std::size_t row, const QString& text) -> Problems {
    const auto at = words.indexOf(text);
    if (at < 0)
      return {{{},
               0,
               {},
               "'" + text.toStdString() + "'",
               "one of " + words.join(QStringLiteral(", ")).toStdString()}};
    set(job, row, static_cast<int>(at));
    return {};
  };
  return out;
}

GridColumn materialColumn(std::function<std::string&(Job&, std::size_t)> get) {
  GridColumn out;
  out.title = tr("Material");
  out.shown = [get](const Job& job, std::size_t row) {
    const Material* material = findMaterial(job, get(const_cast<Job&>(job), row));
    return material != nullptr ? materialName(*material, styleOf(job)) : QString();
  };
  out.typed = out.shown;
  out.choices = [](const Job& job) {
    QStringList names;
    for (const Material& material : job.materials) names << materialName(material, styleOf(job));
    return names;
  };
  out.set = [get](Job& job, std::size_t row, const QString& text) -> Problems {
    for (const Material& material : job.materials)
      if (materialName(material, styleOf(job)) == text) {
        get(job, row) = material.id;
        return {};
      }
    return {{{}, 0, {}, "'" + text.toStdString() + "'", "a material of the rack"}};
  };
  return out;
}

GridColumn bandingColumn(const QString& title, std::function<std::string&(Job&, std::size_t)> get) {
  GridColumn out;
  out.title = title;
  out.shown = [get](const Job& job, std::size_t row) {
    const std::string& name = get(const_cast<Job&>(job), row);
    return name.empty() ? tr("none") : qs(name);
  };
  out.typed = out.shown;
  out.choices = [](const Job& job) {
    QStringList names = {tr("none")};
    for (const Banding& banding : job.bandings) names << qs(banding.name);
    return names;
  };
  out.set = [get](Job& job, std::size_t row, const QString& text) -> Problems {
    get(job, row) = text == tr("none") ? std::string() : text.toStdString();
    return {};
  };
  return out;
}

GridColumn countColumn(const QString& title, std::int64_t least, std::int64_t most,
                       std::function<std::int64_t&(Job&, std::size_t)> get) {
  GridColumn out;
  out.title = title;
  out.number = true;
  out.value = [get](const Job& job, std::size_t row) {
    return static_cast<double>(get(const_cast<Job&>(job), row));
  };
  out.shown = [get](const Job& job, std::size_t row) {
    return QString::number(get(const_cast<Job&>(job), row));
  };
  out.typed = out.shown;
  out.set = [get, least, most](Job& job, std::size_t row, const QString& text) -> Problems {
    const auto count = parseCount(text.toStdString(), least, most);
    if (!count) return count.problems();
    get(job, row) = *count;
    return {};
  };
  return out;
}

GridColumn quantityColumn() {
  GridColumn out;
  out.title = tr("Qty");
  out.number = true;
  out.value = [](const Job& job, std::size_t row) {
    return static_cast<double>(
        job.stock[row].quantity.value_or(std::numeric_limits<std::int64_t>::max()));
  };
  out.shown = [](const Job& job, std::size_t row) {
    const auto quantity = job.stock[row].quantity;
    return quantity ? QString::number(*quantity) : tr("as needed");
  };
  out.typed = [](const Job& job, std::size_t row) {
    const auto quantity = job.stock[row].quantity;
    return quantity ? QString::number(*quantity) : QString();
  };
  out.set = [](Job& job, std::size_t row, const QString& text) -> Problems {
    job.stock[row].quantity.reset();
    if (text.isEmpty() || text == tr("as needed")) return {};
    const auto count = parseCount(text.toStdString(), 0, 1'000'000);
    if (!count) return count.problems();
    job.stock[row].quantity = *count;
    return {};
  };
  return out;
}

GridColumn kilogramColumn(const QString& title) {
  constexpr std::int64_t kGrams = 1'000;
  GridColumn out;
  out.title = title;
  out.number = true;
  out.shown = [](const Job& job, std::size_t) {
    return QString::number(job.shop.carryGrams / kGrams);
  };
  out.typed = out.shown;
  out.set = [](Job& job, std::size_t, const QString& text) -> Problems {
    const auto count = parseCount(text.toStdString(), 0, 1'000);
    if (!count) return count.problems();
    job.shop.carryGrams = *count * kGrams;
    return {};
  };
  return out;
}

GridColumn moneyColumn(const QString& title, std::function<Money&(Job&, std::size_t)> value) {
  GridColumn out;
  out.title = title;
  out.number = true;
  out.value = [value](const Job& job, std::size_t row) {
    return static_cast<double>(value(const_cast<Job&>(job), row).inTenThousandths());
  };
  out.shown = [value](const Job& job, std::size_t row) {
    return qs(format(value(const_cast<Job&>(job), row)));
  };
  out.typed = out.shown;
  out.set = [value](Job& job, std::size_t row, const QString& text) -> Problems {
    const auto money = parseMoney(text.toStdString());
    if (!money) return money.problems();
    value(job, row) = money.value();
    return {};
  };
  return out;
}

}  // namespace pp
