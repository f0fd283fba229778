#include "app/grid/columns.h"

#include <QObject>

#include "core/length/parse.h"
#include "pictures/paint/figures.h"

namespace pp {
namespace {

QString tr(const char* text) {
  return QObject::tr(text);
}

// A column whose cell is a length found by `get`, which gives a pointer into the job.
GridColumn lengthColumn(const QString& title, std::function<Length&(Job&, std::size_t)> get) {
  const auto read = [get](const Job& job, std::size_t row) {
    return get(const_cast<Job&>(job), row);
  };
  GridColumn out;
  out.title = title;
  out.number = true;
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

// The same for a length that may be left out; `absent` is shown then.
GridColumn optionalLengthColumn(const QString& title, const QString& absent,
                                std::function<std::optional<Length>&(Job&, std::size_t)> get) {
  const auto read = [get](const Job& job, std::size_t row) {
    return get(const_cast<Job&>(job), row);
  };
  GridColumn out;
  out.title = title;
  out.number = true;
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

// A material is chosen by the name it is shown under, which says its thickness too.
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

// A whole number between two bounds.
GridColumn countColumn(const QString& title, std::int64_t least, std::int64_t most,
                       std::function<std::int64_t&(Job&, std::size_t)> get) {
  GridColumn out;
  out.title = title;
  out.number = true;
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

}  // namespace

std::vector<GridColumn> materialColumns() {
  return {
      textColumn(tr("Material"),
                 [](Job& job, std::size_t row) -> std::string& { return job.materials[row].name; }),
      lengthColumn(tr("Nominal"),
                   [](Job& job, std::size_t row) -> Length& { return job.materials[row].nominal; }),
      lengthColumn(
          tr("Measured"),
          [](Job& job, std::size_t row) -> Length& { return job.materials[row].measured; }),
      choiceColumn(
          tr("Grain"), {tr("has grain"), tr("no grain")},
          [](const Job& job, std::size_t row) { return job.materials[row].grained ? 0 : 1; },
          [](Job& job, std::size_t row, int i) { job.materials[row].grained = i == 0; }),
      choiceColumn(
          tr("Drawn as"), {tr("birch"), tr("ash"), tr("oak"), tr("walnut"), tr("white")},
          [](const Job& job, std::size_t row) { return static_cast<int>(job.materials[row].tone); },
          [](Job& job, std::size_t row, int i) { job.materials[row].tone = static_cast<Tone>(i); }),
      choiceColumn(
          tr("Bought as"), {tr("sheets"), tr("bars")},
          [](const Job& job, std::size_t row) { return job.materials[row].lumber ? 1 : 0; },
          [](Job& job, std::size_t row, int i) { job.materials[row].lumber = i == 1; }),
      countColumn(
          tr("kg per m³"), 1, 30'000,
          [](Job& job, std::size_t row) -> std::int64_t& { return job.materials[row].density; }),
  };
}

std::vector<GridColumn> stockColumns() {
  return {
      textColumn(tr("Mark"),
                 [](Job& job, std::size_t row) -> std::string& { return job.stock[row].mark; }),
      choiceColumn(
          tr("Kind"), {tr("sheet"), tr("offcut")},
          [](const Job& job, std::size_t row) {
            return job.stock[row].kind == StockKind::Sheet ? 0 : 1;
          },
          [](Job& job, std::size_t row, int i) {
            job.stock[row].kind = i == 0 ? StockKind::Sheet : StockKind::Offcut;
          }),
      materialColumn(
          [](Job& job, std::size_t row) -> std::string& { return job.stock[row].material; }),
      textColumn(tr("Lot"),
                 [](Job& job, std::size_t row) -> std::string& { return job.stock[row].lot; }),
      optionalLengthColumn(tr("Measured"), tr("as above"),
                           [](Job& job, std::size_t row) -> std::optional<Length>& {
                             return job.stock[row].measured;
                           }),
      lengthColumn(tr("Length"),
                   [](Job& job, std::size_t row) -> Length& { return job.stock[row].length; }),
      lengthColumn(tr("Width"),
                   [](Job& job, std::size_t row) -> Length& { return job.stock[row].width; }),
      choiceColumn(
          tr("Grain"), {tr("along length"), tr("along width"), tr("none")},
          [](const Job& job, std::size_t row) { return static_cast<int>(job.stock[row].grain); },
          [](Job& job, std::size_t row, int i) {
            job.stock[row].grain = static_cast<SheetGrain>(i);
          }),
      quantityColumn(),
      moneyColumn(tr("Price"),
                  [](Job& job, std::size_t row) -> Money& { return job.stock[row].price; }),
      optionalLengthColumn(
          tr("Trim"), tr("usual"),
          [](Job& job, std::size_t row) -> std::optional<Length>& { return job.stock[row].trim; }),
  };
}

std::vector<GridColumn> sawColumns() {
  return {
      lengthColumn(tr("Kerf"), [](Job& job, std::size_t) -> Length& { return job.saw.kerf; }),
      lengthColumn(tr("Trim off full sheets"),
                   [](Job& job, std::size_t) -> Length& { return job.saw.trim; }),
      lengthColumn(tr("Keep leftovers from"),
                   [](Job& job, std::size_t) -> Length& { return job.saw.keepLong; }),
      lengthColumn(tr("by"), [](Job& job, std::size_t) -> Length& { return job.saw.keepShort; }),
      moneyColumn(tr("Pay for ease"), [](Job& job, std::size_t) -> Money& { return job.saw.ease; }),
      kilogramColumn(tr("One carries, kg")),
      lengthColumn(tr("and as long as"),
                   [](Job& job, std::size_t) -> Length& { return job.shop.carryLength; }),
      choiceColumn(
          tr("First edge"), {tr("trimmed"), tr("cut over")},
          [](const Job& job, std::size_t) { return static_cast<int>(job.shop.cleaning); },
          [](Job& job, std::size_t, int i) { job.shop.cleaning = static_cast<Cleaning>(i); }),
  };
}

std::vector<GridColumn> machineColumns() {
  const auto limit = [](const QString& title, Length Machine::*member) {
    return lengthColumn(title, [member](Job& job, std::size_t row) -> Length& {
      return job.shop.machines[row].*member;
    });
  };
  return {
      textColumn(
          tr("Saw"),
          [](Job& job, std::size_t row) -> std::string& { return job.shop.machines[row].name; }),
      choiceColumn(
          tr("Kind"), {tr("track"), tr("table"), tr("crosscut")},
          [](const Job& job, std::size_t row) {
            return static_cast<int>(job.shop.machines[row].kind);
          },
          [](Job& job, std::size_t row, int i) {
            job.shop.machines[row].kind = static_cast<SawKind>(i);
          }),
      optionalLengthColumn(tr("Kerf"), tr("usual"),
                           [](Job& job, std::size_t row) -> std::optional<Length>& {
                             return job.shop.machines[row].kerf;
                           }),
      limit(tr("Longest cut"), &Machine::longestCut),
      limit(tr("Reach"), &Machine::reach),
      limit(tr("Longest piece"), &Machine::longestPiece),
  };
}

std::vector<GridColumn> slideColumns() {
  return {
      textColumn(tr("Slide"),
                 [](Job& job, std::size_t row) -> std::string& { return job.slides[row].name; }),
      lengthColumn(tr("Length"),
                   [](Job& job, std::size_t row) -> Length& { return job.slides[row].length; }),
      choiceColumn(
          tr("Mounted"), {tr("beside"), tr("under")},
          [](const Job& job, std::size_t row) { return static_cast<int>(job.slides[row].kind); },
          [](Job& job, std::size_t row, int i) {
            job.slides[row].kind = static_cast<SlideKind>(i);
          }),
      lengthColumn(tr("Each side"),
                   [](Job& job, std::size_t row) -> Length& { return job.slides[row].thickness; }),
      optionalLengthColumn(tr("Below"), tr("usual"),
                           [](Job& job, std::size_t row) -> std::optional<Length>& {
                             return job.slides[row].below;
                           }),
      optionalLengthColumn(tr("Above"), tr("usual"),
                           [](Job& job, std::size_t row) -> std::optional<Length>& {
                             return job.slides[row].above;
                           }),
      moneyColumn(tr("Price"),
                  [](Job& job, std::size_t row) -> Money& { return job.slides[row].price; }),
  };
}

std::vector<GridColumn> bandingColumns() {
  return {
      textColumn(tr("Banding"),
                 [](Job& job, std::size_t row) -> std::string& { return job.bandings[row].name; }),
      lengthColumn(
          tr("Thick"),
          [](Job& job, std::size_t row) -> Length& { return job.bandings[row].thickness; }),
      lengthColumn(tr("Wide"),
                   [](Job& job, std::size_t row) -> Length& { return job.bandings[row].width; }),
      choiceColumn(
          tr("Parts are cut"), {tr("smaller by it"), tr("full size")},
          [](const Job& job, std::size_t row) { return job.bandings[row].deduct ? 0 : 1; },
          [](Job& job, std::size_t row, int i) { job.bandings[row].deduct = i == 0; }),
      lengthColumn(
          tr("On a roll"),
          [](Job& job, std::size_t row) -> Length& { return job.bandings[row].rollLength; }),
      moneyColumn(tr("A roll"),
                  [](Job& job, std::size_t row) -> Money& { return job.bandings[row].price; }),
  };
}

std::vector<GridColumn> boughtColumns() {
  return {
      textColumn(tr("What"),
                 [](Job& job, std::size_t row) -> std::string& { return job.bought[row].name; }),
      countColumn(
          tr("Qty"), 1, 10'000,
          [](Job& job, std::size_t row) -> std::int64_t& { return job.bought[row].quantity; }),
      moneyColumn(tr("Each"),
                  [](Job& job, std::size_t row) -> Money& { return job.bought[row].price; }),
      textColumn(tr("Note"),
                 [](Job& job, std::size_t row) -> std::string& { return job.bought[row].note; }),
  };
}

std::vector<GridColumn> looseColumns() {
  return {
      textColumn(tr("Part"),
                 [](Job& job, std::size_t row) -> std::string& { return job.loose[row].name; }),
      countColumn(
          tr("Qty"), 1, 10'000,
          [](Job& job, std::size_t row) -> std::int64_t& { return job.loose[row].quantity; }),
      lengthColumn(tr("Length"),
                   [](Job& job, std::size_t row) -> Length& { return job.loose[row].length; }),
      lengthColumn(tr("Width"),
                   [](Job& job, std::size_t row) -> Length& { return job.loose[row].width; }),
      materialColumn(
          [](Job& job, std::size_t row) -> std::string& { return job.loose[row].material; }),
      choiceColumn(
          tr("Grain"), {tr("along length"), tr("along width"), tr("either way")},
          [](const Job& job, std::size_t row) { return static_cast<int>(job.loose[row].grain); },
          [](Job& job, std::size_t row, int i) {
            job.loose[row].grain = static_cast<BoardGrain>(i);
          }),
      bandingColumn(
          tr("Long edges"),
          [](Job& job, std::size_t row) -> std::string& { return job.loose[row].bandLong; }),
      bandingColumn(
          tr("Short edges"),
          [](Job& job, std::size_t row) -> std::string& { return job.loose[row].bandShort; }),
  };
}

}  // namespace pp
