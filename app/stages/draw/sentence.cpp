#include "app/stages/draw/sentence.h"

#include <QObject>

#include "app/paint/figures.h"
#include "core/breakdown/layout.h"
#include "core/job/size_list.h"
#include "core/length/parse.h"

namespace pp {
namespace {

class Writer {
 public:
  Writer(const Job& job, const Assembly& assembly)
      : job_(job), carcass_(assembly.carcass()), style_(styleOf(job)) {}

  std::vector<Paragraph> run(const std::optional<OpeningPath>& selected) {
    sizes();
    joints();
    back();
    foot();
    if (selected) opening(*selected);
    if (hasDrawers(carcass_.inside)) drawers();
    if (hasShelves(carcass_.inside)) shelves();
    return std::move(out_);
  }

 private:
  static QString tr(const char* text) { return QObject::tr(text); }

  Paragraph& begin() { return out_.emplace_back(); }
  void say(const QString& text) { out_.back().push_back({text, {}, {}, {}, {}, 0, {}, {}, {}}); }
  void length(const QString& name, Length value, std::function<void(Carcass&, Length)> set) {
    Phrase phrase;
    phrase.name = name;
    phrase.text = figure(value, style_);
    phrase.length = value;
    phrase.setLength = std::move(set);
    out_.back().push_back(phrase);
  }
  void choice(const QString& name, QStringList choices, int chosen,
              std::function<void(Carcass&, int)> choose) {
    Phrase phrase;
    phrase.name = name;
    phrase.text = choices.value(chosen);
    phrase.choices = std::move(choices);
    phrase.chosen = chosen;
    phrase.choose = std::move(choose);
    out_.back().push_back(phrase);
  }
  void material(const QString& name, const std::string& id,
                std::function<void(Carcass&, const std::string&)> set) {
    QStringList names;
    int chosen = 0;
    std::vector<std::string> ids;
    for (const Material& material : job_.materials) {
      if (material.id == id) chosen = static_cast<int>(names.size());
      names << materialName(material, style_);
      ids.push_back(material.id);
    }
    choice(name, names, chosen, [ids, set = std::move(set)](Carcass& c, int i) {
      set(c, ids[static_cast<std::size_t>(i)]);
    });
  }
  void banding(const QString& name, const std::string& current,
               std::function<void(Carcass&, const std::string&)> set) {
    QStringList names = {tr("no banding")};
    std::vector<std::string> ids = {""};
    int chosen = 0;
    for (const Banding& banding : job_.bandings) {
      if (banding.name == current) chosen = static_cast<int>(names.size());
      names << qs(banding.name);
      ids.push_back(banding.name);
    }
    choice(name, names, chosen, [ids, set = std::move(set)](Carcass& c, int i) {
      set(c, ids[static_cast<std::size_t>(i)]);
    });
  }

  void sizes() {
    begin();
    say(tr("The carcass is"));
    length(tr("width"), carcass_.width, [](Carcass& c, Length l) { c.width = l; });
    say(tr("wide,"));
    length(tr("height"), carcass_.height, [](Carcass& c, Length l) { c.height = l; });
    say(tr("high and"));
    length(tr("depth"), carcass_.depth, [](Carcass& c, Length l) { c.depth = l; });
    say(tr("deep, of"));
    material(tr("case material"), carcass_.material,
             [](Carcass& c, const std::string& id) { c.material = id; });
    say(tr("with"));
    banding(tr("front edge banding"), carcass_.banding,
            [](Carcass& c, const std::string& id) { c.banding = id; });
    say(tr("on its front edges."));
  }

  void joints() {
    begin();
    say(tr("Top, bottom, dividers and fixed shelves sit between their neighbours"));
    const bool dado = carcass_.joint == Joint::Dado;
    choice(tr("joint"), {tr("butted, glued and screwed"), tr("in dados")}, dado ? 1 : 0,
           [](Carcass& c, int i) { c.joint = i == 1 ? Joint::Dado : Joint::Butt; });
    if (!dado) return say(tr("."));
    length(tr("dado depth"), carcass_.dadoDepth, [](Carcass& c, Length l) { c.dadoDepth = l; });
    say(tr("deep."));
  }

  void back() {
    begin();
    say(tr("The back is"));
    material(tr("back material"), carcass_.back.material,
             [](Carcass& c, const std::string& id) { c.back.material = id; });
    say(tr("with its grain"));
    choice(tr("back grain"), {tr("upright"), tr("across"), tr("either way")},
           static_cast<int>(carcass_.back.grain),
           [](Carcass& c, int i) { c.back.grain = static_cast<BackGrain>(i); });
    say(tr(", let into a rabbet"));
    length(tr("rabbet depth"), carcass_.back.rabbetDepth,
           [](Carcass& c, Length l) { c.back.rabbetDepth = l; });
    say(tr("deep all round, with"));
    length(tr("back clearance"), carcass_.back.clearance,
           [](Carcass& c, Length l) { c.back.clearance = l; });
    say(tr("clearance in all."));
  }

  void foot() {
    begin();
    say(tr("It stands on"));
    choice(tr("foot"), {tr("its sides and bottom"), tr("a recessed toe")}, carcass_.toe ? 1 : 0,
           [](Carcass& c, int i) {
             if (i == 0)
               c.toe.reset();
             else if (!c.toe)
               c.toe = Toe{};
           });
    if (!carcass_.toe) return say(tr("."));
    length(tr("toe height"), carcass_.toe->height, [](Carcass& c, Length l) { c.toe->height = l; });
    say(tr("high and"));
    length(tr("toe depth"), carcass_.toe->depth, [](Carcass& c, Length l) { c.toe->depth = l; });
    say(tr("deep."));
  }

  // Changes the content of the opening at `path`.
  template <class T>
  static void change(Carcass& carcass, const OpeningPath& path,
                     const std::function<void(T&)>& set) {
    Opening opening = *find(carcass.inside, path);
    if (T* content = std::get_if<T>(&opening.content)) set(*content);
    carcass.inside = replaced(carcass.inside, path, opening);
  }

  void opening(const OpeningPath& path) {
    const Opening* here = find(carcass_.inside, path);
    if (here == nullptr) return;
    begin();
    const auto layout = pp::layOut(job_, carcass_);
    if (layout)
      for (const OpeningRect& leaf : layout->leaves)
        if (leaf.path == path)
          say(tr("The opening chosen is %1.")
                  .arg(figures(leaf.rect.width, leaf.rect.height, style_)));
    if (!path.empty()) sizesAround(path);
    if (const auto* pins = std::get_if<AdjustableShelves>(&here->content)) {
      say(tr("It holds"));
      typedList(tr("number of shelves"), QString::number(pins->count),
                [path](Carcass& c, const QString& text) -> Problems {
                  const auto count = parseCount(text.trimmed().toStdString(), 1, 50);
                  if (!count) return count.problems();
                  change<AdjustableShelves>(
                      c, path, [&](AdjustableShelves& s) { s.count = static_cast<int>(*count); });
                  return {};
                });
      say(tr("adjustable shelves."));
    }
    if (const auto* bank = std::get_if<DrawerBank>(&here->content)) bankWords(path, *bank);
  }

  void typedList(const QString& name, const QString& text,
                 std::function<Problems(Carcass&, const QString&)> set) {
    Phrase phrase;
    phrase.name = name;
    phrase.text = text;
    phrase.typed = text;
    phrase.setText = std::move(set);
    out_.back().push_back(phrase);
  }

  void sizesAround(const OpeningPath& path) {
    OpeningPath parent = path;
    parent.pop_back();
    const auto& split = std::get<Split>(find(carcass_.inside, parent)->content);
    say(split.by == SplitBy::Dividers ? tr("It is one of the openings side by side:")
                                      : tr("It is one of the openings above one another:"));
    typedList(
        tr("sizes of the openings"), qs(formatSizeList(split.sizes, style_)),
        [parent, unit = style_.unit](Carcass& c, const QString& text) -> Problems {
          const auto sizes = parseSizeList(text.toStdString(), unit, true);
          if (!sizes) return sizes.problems();
          const std::size_t have = std::get<Split>(find(c.inside, parent)->content).children.size();
          if (sizes->size() != have)
            return {
                {{},
                 0,
                 "sizes",
                 std::to_string(sizes->size()),
                 std::to_string(have) +
                     " sizes; to change how many there are, empty the opening and split it anew"}};
          change<Split>(c, parent, [&](Split& s) { s.sizes = sizes.value(); });
          return {};
        });
    say(tr("."));
  }

  void bankWords(const OpeningPath& path, const DrawerBank& bank) {
    say(tr("Its drawer fronts, from the top, are"));
    typedList(tr("drawer fronts"), qs(formatSizeList(bank.fronts, style_)),
              [path, unit = style_.unit](Carcass& c, const QString& text) -> Problems {
                const auto sizes = parseSizeList(text.toStdString(), unit, true);
                if (!sizes) return sizes.problems();
                change<DrawerBank>(c, path, [&](DrawerBank& b) { b.fronts = sizes.value(); });
                return {};
              });
    say(tr("high; the boxes are"));
    const QString room = tr("what the clearances leave");
    typedList(tr("box height"), bank.boxHeight ? typed(*bank.boxHeight, style_) : room,
              [path, room, unit = style_.unit](Carcass& c, const QString& text) -> Problems {
                std::optional<Length> height;
                if (!text.trimmed().isEmpty() && text != room) {
                  const auto length = parseExpression(text.toStdString(), unit);
                  if (!length) return length.problems();
                  height = length.value();
                }
                change<DrawerBank>(c, path, [&](DrawerBank& b) { b.boxHeight = height; });
                return {};
              });
    say(tr("high. The fronts are cut"));
    choice(tr("matched fronts"), {tr("one by one"), tr("as one run of grain")},
           bank.matched ? 1 : 0, [path](Carcass& c, int i) {
             change<DrawerBank>(c, path, [i](DrawerBank& b) { b.matched = i == 1; });
           });
    say(tr("."));
  }

  static bool any(const Opening& opening, const std::function<bool(const OpeningContent&)>& test) {
    if (test(opening.content)) return true;
    if (const auto* split = std::get_if<Split>(&opening.content))
      for (const Opening& child : split->children)
        if (any(child, test)) return true;
    return false;
  }
  static bool hasDrawers(const Opening& o) {
    return any(o, [](const OpeningContent& c) { return std::holds_alternative<DrawerBank>(c); });
  }
  static bool hasShelves(const Opening& o) {
    return any(
        o, [](const OpeningContent& c) { return std::holds_alternative<AdjustableShelves>(c); });
  }

  void drawers() {
    const DrawerRules& rules = carcass_.drawers;
    begin();
    say(tr("Drawer boxes are"));
    material(tr("drawer box material"), rules.boxMaterial,
             [](Carcass& c, const std::string& id) { c.drawers.boxMaterial = id; });
    say(tr("with bottoms of"));
    material(tr("drawer bottom material"), rules.bottomMaterial,
             [](Carcass& c, const std::string& id) { c.drawers.bottomMaterial = id; });
    say(tr(":"));
    choice(tr("drawer school"),
           {tr("front and back between the sides"), tr("front rabbeted over the sides")},
           static_cast<int>(rules.school),
           [](Carcass& c, int i) { c.drawers.school = static_cast<DrawerSchool>(i); });
    say(tr(". Grooves are"));
    length(tr("groove depth"), rules.grooveDepth,
           [](Carcass& c, Length l) { c.drawers.grooveDepth = l; });
    say(tr("deep,"));
    length(tr("groove height"), rules.grooveUp,
           [](Carcass& c, Length l) { c.drawers.grooveUp = l; });
    say(tr("up. Below a box"));
    length(tr("lower clearance"), rules.lowerClearance,
           [](Carcass& c, Length l) { c.drawers.lowerClearance = l; });
    say(tr("stays free, above it"));
    length(tr("upper clearance"), rules.upperClearance,
           [](Carcass& c, Length l) { c.drawers.upperClearance = l; });
    say(tr(". Fronts are inset, of"));
    material(tr("drawer front material"), carcass_.fronts.material,
             [](Carcass& c, const std::string& id) { c.fronts.material = id; });
    say(tr("with"));
    banding(tr("drawer front banding"), carcass_.fronts.banding,
            [](Carcass& c, const std::string& id) { c.fronts.banding = id; });
    say(tr("round them and a gap of"));
    length(tr("front gap"), carcass_.fronts.gap, [](Carcass& c, Length l) { c.fronts.gap = l; });
    say(tr("on every side."));
  }

  void shelves() {
    const ShelfRules& rules = carcass_.shelves;
    begin();
    say(tr("Adjustable shelves are"));
    length(tr("shelf clearance"), rules.clearance,
           [](Carcass& c, Length l) { c.shelves.clearance = l; });
    say(tr("short each way, set back"));
    length(tr("shelf set-back"), rules.setBack,
           [](Carcass& c, Length l) { c.shelves.setBack = l; });
    say(tr(", on pins"));
    length(tr("pin pitch"), rules.pinPitch, [](Carcass& c, Length l) { c.shelves.pinPitch = l; });
    say(tr("apart,"));
    length(tr("pin set-back"), rules.pinSetBack,
           [](Carcass& c, Length l) { c.shelves.pinSetBack = l; });
    say(tr("from front and back."));
  }

  const Job& job_;
  const Carcass& carcass_;
  LengthStyle style_;
  std::vector<Paragraph> out_;
};

}  // namespace

std::vector<Paragraph> describe(const Job& job, const Assembly& assembly,
                                const std::optional<OpeningPath>& selected) {
  return Writer(job, assembly).run(selected);
}

QString jointRemark(const Carcass& carcass) {
  return carcass.joint == Joint::Dado ? QObject::tr(
                                            "Dados cost settings at the saw and save time at "
                                            "glue-up: the case holds itself square.")
                                      : QObject::tr(
                                            "Butt joints need no machining; clamp square and mark "
                                            "every panel's place before driving screws.");
}

}  // namespace pp
