#include "app/shop/shop_rows.h"

#include "app/grid/leaves.h"
#include "core/formats/defect_text.h"
#include "core/length/parse.h"
#include "pictures/paint/rack_picture.h"
#include "words/figures.h"
#include "words/said.h"
#include "words/tr.h"

namespace pp {
namespace {

// The columns that any kind of row has, by the member they show.
template <class Row>
class Columns {
 public:
  explicit Columns(const Session* session = nullptr) : session_(session) {}

  Columns& text(const char* title, std::string Row::*member) {
    return add(
        title, false, [member](const Row& row, const StoreState&) { return qs(row.*member); },
        [member](Row& row, const QString& typed, const StoreState&) -> Problems {
          row.*member = typed.toStdString();
          return {};
        });
  }
  Columns& length(const char* title, Length Row::*member) {
    return add(
        title, true,
        [this_ = session_, member](const Row& row, const StoreState&) {
          return row.*member == Length{} ? QString() : figure(row.*member, this_->style());
        },
        [this_ = session_, member](Row& row, const QString& typed, const StoreState&) -> Problems {
          if (typed.isEmpty()) return row.*member = {}, Problems{};
          const auto value = parseExpression(typed.toStdString(), this_->job().unit);
          if (!value) return value.problems();
          row.*member = *value;
          return {};
        });
  }
  Columns& optionalLength(const char* title, std::optional<Length> Row::*member) {
    return add(
        title, true,
        [this_ = session_, member](const Row& row, const StoreState&) {
          return row.*member ? figure(*(row.*member), this_->style()) : tr("usual");
        },
        [this_ = session_, member](Row& row, const QString& typed, const StoreState&) -> Problems {
          if (typed.isEmpty() || typed == tr("usual")) return (row.*member).reset(), Problems{};
          const auto value = parseExpression(typed.toStdString(), this_->job().unit);
          if (!value) return value.problems();
          row.*member = *value;
          return {};
        });
  }
  Columns& count(const char* title, std::int64_t Row::*member, std::int64_t most = 1'000'000) {
    return add(
        title, true,
        [member](const Row& row, const StoreState&) { return QString::number(row.*member); },
        [member, most](Row& row, const QString& typed, const StoreState&) -> Problems {
          const auto value = parseCount(typed.toStdString(), 0, most);
          if (!value) return value.problems();
          row.*member = *value;
          return {};
        });
  }
  Columns& money(const char* title, Money Row::*member) {
    return add(
        title, true,
        [member](const Row& row, const StoreState&) { return qs(format(row.*member)); },
        [member](Row& row, const QString& typed, const StoreState&) -> Problems {
          const auto value = parseMoney(typed.toStdString());
          if (!value) return value.problems();
          row.*member = *value;
          return {};
        });
  }
  template <class E>
  Columns& choice(const char* title, E Row::*member) {
    add(
        title, false, [member](const Row& row, const StoreState&) { return said(row.*member); },
        [member](Row& row, const QString& typed, const StoreState&) -> Problems {
          const auto at = said<E>().indexOf(typed);
          if (at < 0) return {{{}, 0, {}, typed.toStdString(), "one of the words"}};
          row.*member = static_cast<E>(at);
          return {};
        });
    out_.back().choices = said<E>();
    return *this;
  }
  Columns& flag(const char* title, bool Row::*member) {
    add(
        title, false,
        [member](const Row& row, const StoreState&) { return row.*member ? tr("yes") : tr("no"); },
        [member](Row& row, const QString& typed, const StoreState&) -> Problems {
          row.*member = typed == tr("yes");
          return {};
        });
    out_.back().choices = {tr("yes"), tr("no")};
    return *this;
  }
  Columns& add(const char* title, bool number,
               std::function<QString(const Row&, const StoreState&)> shown,
               std::function<Problems(Row&, const QString&, const StoreState&)> set = nullptr) {
    out_.push_back({tr(title), number, std::move(shown), std::move(set), {}});
    return *this;
  }
  std::vector<StoreColumn<Row>> take() { return std::move(out_); }

 private:
  const Session* session_;
  std::vector<StoreColumn<Row>> out_;
};

// A row a product of a finish.
class FinishRows : public StoreRows {
 public:
  FinishRows() {
    using P = FinishProduct;
    Columns<P> columns;
    columns.text("Product", &P::name)
        .choice("Goes on", &P::method)
        .count("Coats", &P::coats)
        .count("Grit before", &P::grit)
        .count("Dries, min", &P::drying)
        .count("Thinner, % of the mix", &P::thinning)
        .count("m² a litre", &P::coverage)
        .count("Lost, %", &P::loss)
        .count("Work, min a m²", &P::minutes)
        .count("Can, ml", &P::canMillilitres)
        .count("There, ml", &P::haveMillilitres)
        .money("Price of a can", &P::price);
    columns_ = columns.take();
  }
  int columns() const override { return static_cast<int>(columns_.size()) + 1; }
  QString title(int column) const override { return column == 0 ? tr("Finish") : of(column).title; }
  bool isNumber(int column) const override { return column > 0 && of(column).number; }
  bool isEditable(int) const override { return true; }
  QStringList choices(int column) const override {
    return column == 0 ? QStringList() : of(column).choices;
  }
  int countIn(const StoreState& state) const override {
    return static_cast<int>(linesOf(state).size());
  }
  void take(const StoreState& state) override { lines_ = linesOf(state); }
  int count() const override { return static_cast<int>(lines_.size()); }
  QString shown(int row, int column, const StoreState& state) const override {
    const Line& line = lines_[static_cast<std::size_t>(row)];
    if (column == 0) return qs(line.finish.name);
    return of(column).shown(line.finish.products[line.product], state);
  }
  Problems set(int row, int column, const QString& text, StoreDesk& desk) override {
    const Line& line = lines_[static_cast<std::size_t>(row)];
    ShopFinish after = line.finish;
    if (column == 0)
      after.name = text.toStdString();
    else if (Problems problems = of(column).set(after.products[line.product], text, {});
             !problems.empty())
      return problems;
    changeRow(desk, tr("finish"), line.finish, after);
    return {};
  }
  bool canAdd() const override { return true; }
  void add(StoreDesk& desk) override {
    ShopFinish fresh;
    const auto state = desk.state();
    if (!state) return;
    fresh.name = freeName(state->finishes, tr("finish"));
    fresh.products = {FinishProduct{tr("product").toStdString()}};
    addRow(desk, tr("finish"), fresh);
  }
  bool addBelow(int row, StoreDesk& desk) override {
    const Line& line = lines_[static_cast<std::size_t>(row)];
    ShopFinish after = line.finish;
    after.products.insert(after.products.begin() + static_cast<std::ptrdiff_t>(line.product) + 1,
                          FinishProduct{tr("product").toStdString()});
    changeRow(desk, tr("finish"), line.finish, after);
    return true;
  }
  void remove(int row, StoreDesk& desk) override {
    const Line line = lines_[static_cast<std::size_t>(row)];
    if (line.finish.products.size() > 1) {
      ShopFinish after = line.finish;
      after.products.erase(after.products.begin() + static_cast<std::ptrdiff_t>(line.product));
      return changeRow(desk, tr("finish"), line.finish, after);
    }
    removeRow(desk, tr("finish"), line.finish);
  }

 private:
  struct Line {
    ShopFinish finish;
    std::size_t product = 0;
  };
  static std::vector<Line> linesOf(const StoreState& state) {
    std::vector<Line> out;
    for (const ShopFinish& finish : state.finishes)
      for (std::size_t k = 0; k < finish.products.size(); ++k) out.push_back({finish, k});
    return out;
  }
  const StoreColumn<FinishProduct>& of(int column) const {
    return columns_[static_cast<std::size_t>(column - 1)];
  }
  std::vector<StoreColumn<FinishProduct>> columns_;
  std::vector<Line> lines_;
};

}  // namespace

std::unique_ptr<StoreRows> pieceRows(const Session& session) {
  using P = RackPiece;
  Columns<P> columns(&session);
  columns
      .add("Tag", true,
           [](const P& row, const StoreState&) {
             return row.tag > 0 ? QString::number(row.tag) : QString();
           })
      .choice("Kind", &P::kind)
      .add("Material", false,
           [&session](const P& row, const StoreState& state) {
             return rackMaterialWords(state.materials, row.material, session.style());
           })
      .text("Lot", &P::lot)
      .optionalLength("Measured", &P::measured)
      .length("Length", &P::length)
      .length("Width", &P::width)
      .choice("Grain", &P::grain)
      .flag("Two good faces", &P::twoGoodFaces)
      .count("Count", &P::count)
      .money("Price", &P::price)
      .text("Place", &P::place)
      .text("Note", &P::note)
      .add(
          "Keep free", false,
          [&session](const P& row, const StoreState&) {
            return qs(defectsText(row.defects, session.job().unit));
          },
          [&session](P& row, const QString& typed, const StoreState&) -> Problems {
            auto places = parseDefects(typed.toStdString(), session.job().unit);
            if (!places) return places.problems();
            row.defects = std::move(places).value();
            return {};
          });
  return std::make_unique<StoreRowsOf<P>>(
      tr("piece"), columns.take(),
      [](const StoreState& state) {
        std::vector<P> out;
        for (const RackRow& row : state.rack) out.push_back(row.piece);
        return out;
      },
      nullptr);
}

std::unique_ptr<StoreRows> materialRows(const Session& session) {
  using M = RackMaterial;
  Columns<M> columns(&session);
  columns.text("Name", &M::name)
      .length("Nominal", &M::nominal)
      .length("Usually", &M::measured)
      .flag("Grained", &M::grained)
      .choice("Looks like", &M::tone)
      .count("kg a m³", &M::density)
      .count("Stiffness, MPa", &M::stiffness)
      .flag("In bars", &M::lumber)
      .optionalLength("Keep from", &M::keepLong)
      .optionalLength("by", &M::keepShort);
  return std::make_unique<StoreRowsOf<M>>(
      tr("material"), columns.take(), [](const StoreState& state) { return state.materials; },
      [](const StoreState& state) -> std::optional<M> {
        return M{0, freeName(state.materials, tr("plywood")), Length::mm(18), Length::mm(18)};
      });
}

std::unique_ptr<StoreRows> readingRows(const Session& session) {
  using R = LotReading;
  Columns<R> columns(&session);
  columns
      .add("Material", false,
           [&session](const R& row, const StoreState& state) {
             return rackMaterialWords(state.materials, row.material, session.style());
           })
      .add("Lot", false, [](const R& row, const StoreState&) { return qs(row.lot); })
      .add("Read", true,
           [&session](const R& row, const StoreState&) {
             LengthStyle fine = session.style();
             constexpr int kHundredths = 2;
             fine.decimals = std::max(fine.decimals, kHundredths);
             return figure(row.thickness, fine);
           })
      .add("On", false, [](const R& row, const StoreState&) { return qs(row.taken); });
  return std::make_unique<StoreRowsOf<R>>(
      tr("reading"), columns.take(), [](const StoreState& state) { return state.readings; },
      nullptr);
}

std::unique_ptr<StoreRows> bandingRows(const Session& session) {
  using B = RackBanding;
  Columns<B> columns(&session);
  columns.text("Banding", &B::name)
      .length("Thickness", &B::thickness)
      .length("Width", &B::width)
      .length("On a roll", &B::rollLength)
      .flag("Parts are cut smaller", &B::deduct)
      .money("Price of a roll", &B::price)
      .length("There", &B::left);
  return std::make_unique<StoreRowsOf<B>>(
      tr("banding"), columns.take(), [](const StoreState& state) { return state.bandings; },
      [](const StoreState& state) -> std::optional<B> {
        return B{0, freeName(state.bandings, tr("banding")), Length::mm(1), Length::mm(22),
                 Length::mm(50'000)};
      });
}

std::unique_ptr<StoreRows> hardwareRows(const Session& session) {
  using H = Hardware;
  Columns<H> columns(&session);
  columns.text("Name", &H::name)
      .choice("Kind", &H::kind)
      .length("Length", &H::length)
      .count("There", &H::have)
      .count("In a pack", &H::pack)
      .money("Price of a pack", &H::price)
      .text("Note", &H::note);
  return std::make_unique<StoreRowsOf<H>>(
      tr("hardware"), columns.take(), [](const StoreState& state) { return state.hardware; },
      [](const StoreState& state) -> std::optional<H> {
        return H{0, HardwareKind::Other, freeName(state.hardware, tr("hardware"))};
      });
}

std::unique_ptr<StoreRows> finishRows() {
  return std::make_unique<FinishRows>();
}

}  // namespace pp
