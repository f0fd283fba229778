#include "app/grid/columns.h"

#include <QObject>

#include "app/grid/cells.h"
#include "core/breakdown/bought.h"
#include "core/length/parse.h"
#include "words/figures.h"
#include "words/tr.h"

namespace pp {
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
      enumColumn<Tone>(tr("Drawn as"),
                       [](Job& job, std::size_t row) -> Tone& { return job.materials[row].tone; }),
      choiceColumn(
          tr("Bought as"), {tr("sheets"), tr("bars")},
          [](const Job& job, std::size_t row) { return job.materials[row].lumber ? 1 : 0; },
          [](Job& job, std::size_t row, int i) { job.materials[row].lumber = i == 1; }),
      countColumn(
          tr("kg per m³"), 1, 30'000,
          [](Job& job, std::size_t row) -> std::int64_t& { return job.materials[row].density; }),
      optionalLengthColumn(tr("Keep leftovers from"), tr("usual"),
                           [](Job& job, std::size_t row) -> std::optional<Length>& {
                             return job.materials[row].keepLong;
                           }),
      optionalLengthColumn(tr("by"), tr("usual"),
                           [](Job& job, std::size_t row) -> std::optional<Length>& {
                             return job.materials[row].keepShort;
                           }),
  };
}

std::vector<GridColumn> stockColumns() {
  return {
      textColumn(tr("Mark"),
                 [](Job& job, std::size_t row) -> std::string& { return job.stock[row].mark; }),
      enumColumn<StockKind>(
          tr("Kind"), [](Job& job, std::size_t row) -> StockKind& { return job.stock[row].kind; }),
      materialColumn(
          [](Job& job, std::size_t row) -> std::string& { return job.stock[row].material; }),
      textColumn(tr("Lot"),
                 [](Job& job, std::size_t row) -> std::string& { return job.stock[row].lot; }),
      optionalLengthColumn(tr("Measured"), tr("usual"),
                           [](Job& job, std::size_t row) -> std::optional<Length>& {
                             return job.stock[row].measured;
                           }),
      lengthColumn(tr("Length"),
                   [](Job& job, std::size_t row) -> Length& { return job.stock[row].length; }),
      lengthColumn(tr("Width"),
                   [](Job& job, std::size_t row) -> Length& { return job.stock[row].width; }),
      enumColumn<SheetGrain>(
          tr("Grain"),
          [](Job& job, std::size_t row) -> SheetGrain& { return job.stock[row].grain; }),
      quantityColumn(),
      moneyColumn(tr("Price"),
                  [](Job& job, std::size_t row) -> Money& { return job.stock[row].price; }),
      optionalLengthColumn(
          tr("Trim"), tr("usual"),
          [](Job& job, std::size_t row) -> std::optional<Length>& { return job.stock[row].trim; }),
      defectsColumn(
          tr("Keep free"),
          [](Job& job, std::size_t row) -> std::vector<Defect>& { return job.stock[row].defects; }),
  };
}

// Straight router bits, one after the other.
GridColumn bitsColumn() {
  GridColumn out;
  out.title = tr("Router bits");
  out.typed = out.shown = [](const Job& job, std::size_t) {
    QStringList words;
    for (const Length bit : job.shop.tools.bits) words << typed(bit, styleOf(job));
    return words.join(QStringLiteral(", "));
  };
  out.set = [](Job& job, std::size_t, const QString& text) -> Problems {
    std::vector<Length> bits;
    for (const QString& word : text.split(QLatin1Char(','), Qt::SkipEmptyParts)) {
      const auto bit = parseExpression(word.trimmed().toStdString(), job.unit);
      if (!bit) return bit.problems();
      bits.push_back(bit.value());
    }
    std::sort(bits.begin(), bits.end());
    job.shop.tools.bits = std::move(bits);
    return {};
  };
  return out;
}

std::vector<GridColumn> sawColumns() {
  const auto length = [](const QString& title, Length Shop::*member) {
    return lengthColumn(title,
                        [member](Job& job, std::size_t) -> Length& { return job.shop.*member; });
  };
  const auto tool = [](const QString& title, Length Tools::*member) {
    return lengthColumn(
        title, [member](Job& job, std::size_t) -> Length& { return job.shop.tools.*member; });
  };
  const auto seconds = [](const QString& title, std::int64_t Shop::*member) {
    constexpr std::int64_t kHour = 3'600;
    return countColumn(title, 0, kHour, [member](Job& job, std::size_t) -> std::int64_t& {
      return job.shop.*member;
    });
  };
  return {
      lengthColumn(tr("Kerf"), [](Job& job, std::size_t) -> Length& { return job.saw.kerf; }),
      lengthColumn(tr("Trim off full sheets"),
                   [](Job& job, std::size_t) -> Length& { return job.saw.trim; }),
      lengthColumn(tr("Keep leftovers from"),
                   [](Job& job, std::size_t) -> Length& { return job.saw.keepLong; }),
      lengthColumn(tr("by"), [](Job& job, std::size_t) -> Length& { return job.saw.keepShort; }),
      moneyColumn(tr("Pay for ease"), [](Job& job, std::size_t) -> Money& { return job.saw.ease; }),
      kilogramColumn(tr("One carries, kg")),
      length(tr("and as long as"), &Shop::carryLength),
      length(tr("Strips up to"), &Shop::stripWidth),
      length(tr("strips as long as"), &Shop::stripLength),
      enumColumn<Cleaning>(tr("First edge"),
                           [](Job& job, std::size_t) -> Cleaning& { return job.shop.cleaning; }),
      length(tr("Kept round parts"), &Shop::allowance),
      length(tr("Planer, wide"), &Shop::planerWidth),
      length(tr("First piece within"), &Shop::tolerance),
      seconds(tr("A setting takes, s"), &Shop::settingSeconds),
      seconds(tr("A cut takes, s"), &Shop::cutSeconds),
      tool(tr("Dado stack from"), &Tools::dadoLeast),
      tool(tr("to"), &Tools::dadoMost),
      bitsColumn(),
      tool(tr("Router table reaches"), &Tools::tableReach),
      tool(tr("Saw's fence reaches"), &Tools::fenceReach),
      tool(tr("Banding beyond an edge"), &Tools::bandBeyond),
      enumColumn<BandFirst>(
          tr("Banded first"),
          [](Job& job, std::size_t) -> BandFirst& { return job.shop.tools.bandFirst; }),
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
      enumColumn<SawKind>(
          tr("Kind"),
          [](Job& job, std::size_t row) -> SawKind& { return job.shop.machines[row].kind; }),
      optionalLengthColumn(tr("Kerf"), tr("usual"),
                           [](Job& job, std::size_t row) -> std::optional<Length>& {
                             return job.shop.machines[row].kerf;
                           }),
      limit(tr("Longest cut"), &Machine::longestCut),
      limit(tr("Reach"), &Machine::reach),
      limit(tr("Longest piece"), &Machine::longestPiece),
      enumColumn<GoodFace>(
          tr("Good face"),
          [](Job& job, std::size_t row) -> GoodFace& { return job.shop.machines[row].goodFace; }),
  };
}

std::vector<GridColumn> slideColumns() {
  return {
      textColumn(tr("Slide"),
                 [](Job& job, std::size_t row) -> std::string& { return job.slides[row].name; }),
      lengthColumn(tr("Length"),
                   [](Job& job, std::size_t row) -> Length& { return job.slides[row].length; }),
      enumColumn<SlideKind>(
          tr("Mounted"),
          [](Job& job, std::size_t row) -> SlideKind& { return job.slides[row].kind; }),
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
      lengthColumn(tr("Set back"),
                   [](Job& job, std::size_t row) -> Length& { return job.slides[row].setBack; }),
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

namespace {

// Where a thing bought in goes: "B1", or "B1.2" for the second opening of B1.
GridColumn placeColumn() {
  GridColumn out;
  out.title = tr("Goes in");
  out.shown = out.typed = [](const Job& job, std::size_t row) {
    return QString::fromStdString(placeOf(job, job.bought[row]));
  };
  out.set = [](Job& job, std::size_t row, const QString& text) {
    return setPlace(job, job.bought[row], text.trimmed().toStdString());
  };
  out.tip = [](const Job& job, std::size_t row) {
    const BoughtSize size = sizeOf(job, job.bought[row]);
    if (size.length == Length{} && size.width == Length{})
      return tr("A code, such as B1, or B1.2 for its second opening, whose size it then has.");
    return tr("Ordered %1 × %2")
        .arg(figure(size.length, styleOf(job)), figure(size.width, styleOf(job)));
  };
  return out;
}

}  // namespace

std::vector<GridColumn> boughtColumns() {
  const auto size = [](const QString& title, Length BoughtIn::*member) {
    return lengthColumn(
        title, [member](Job& job, std::size_t row) -> Length& { return job.bought[row].*member; });
  };
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
      countColumn(tr("Have"), 0, 10'000,
                  [](Job& job, std::size_t row) -> std::int64_t& { return job.bought[row].have; }),
      textColumn(
          tr("Of"),
          [](Job& job, std::size_t row) -> std::string& { return job.bought[row].material; }),
      size(tr("Length"), &BoughtIn::length),
      size(tr("Width"), &BoughtIn::width),
      size(tr("Thick"), &BoughtIn::thickness),
      size(tr("Oversize"), &BoughtIn::oversize),
      placeColumn(),
      size(tr("Clear"), &BoughtIn::clearance),
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
      enumColumn<BoardGrain>(
          tr("Grain"),
          [](Job& job, std::size_t row) -> BoardGrain& { return job.loose[row].grain; }),
      bandingColumn(
          tr("Long edges"),
          [](Job& job, std::size_t row) -> std::string& { return job.loose[row].bandLong; }),
      bandingColumn(
          tr("Short edges"),
          [](Job& job, std::size_t row) -> std::string& { return job.loose[row].bandShort; }),
  };
}

}  // namespace pp
