#include "app/sentences/opening.h"

#include "app/sentences/writer.h"
#include "core/kinds/carcass/layout.h"
#include "core/kinds/carcass/size_list.h"

namespace pp {
namespace {

class OpeningWriter : public SentenceWriter<Carcass> {
 public:
  OpeningWriter(const Job& job, const Assembly& assembly)
      : SentenceWriter(job, assembly.carcass()), assembly_(assembly) {}

  std::vector<Paragraph> run(const OpeningPath& path) {
    const Opening* here = find(body_.inside, path);
    if (here == nullptr) return {};
    begin();
    const auto layout = pp::layOut(job_, assembly_);
    if (layout)
      for (const OpeningRect& leaf : layout->leaves)
        if (leaf.path == path)
          say(tr("The opening chosen is %1.")
                  .arg(figures(leaf.rect.width, leaf.rect.height, style_)));
    if (!path.empty()) sizesAround(path);
    if (const auto* pins = std::get_if<AdjustableShelves>(&here->content)) {
      say(tr("It holds"));
      count(tr("number of shelves"), pins->count, 1, 50, [path](Carcass& c, int n) {
        changeContent<AdjustableShelves>(c, path, [n](AdjustableShelves& s) { s.count = n; });
      });
      say(tr("adjustable shelves."));
    }
    if (const auto* loose = std::get_if<LooseShelves>(&here->content)) {
      say(tr("It holds"));
      count(tr("number of shelves"), loose->count, 1, 50, [path](Carcass& c, int n) {
        changeContent<LooseShelves>(c, path, [n](LooseShelves& s) { s.count = n; });
      });
      say(tr("shelves on strips."));
    }
    if (const auto* bank = std::get_if<DrawerBank>(&here->content)) bankWords(path, *bank);
    door(path, *here);
    return std::move(out_);
  }

 private:
  // Changes the opening at `path`.
  static void change(Carcass& carcass, const OpeningPath& path,
                     const std::function<void(Opening&)>& set) {
    Opening opening = *find(carcass.inside, path);
    set(opening);
    carcass.inside = replaced(carcass.inside, path, opening);
  }
  template <class C>
  static void changeContent(Carcass& carcass, const OpeningPath& path,
                            const std::function<void(C&)>& set) {
    change(carcass, path, [&set](Opening& o) {
      if (C* content = std::get_if<C>(&o.content)) set(*content);
    });
  }

  void door(const OpeningPath& path, const Opening& here) {
    say(tr("It is"));
    choice(tr("door"), QStringList{tr("open")} + said<Hinge>(),
           here.door ? static_cast<int>(here.door->hinge) + 1 : 0, [path](Carcass& c, int i) {
             change(c, path, [i](Opening& o) {
               o.door.reset();
               if (i > 0) o.door = Door{static_cast<Hinge>(i - 1)};
             });
           });
    if (here.door && here.door->hinge == Hinge::Sliding) {
      say(tr(","));
      choice(tr("sliding panel in front"),
             {tr("the left one in front"), tr("the right one in front")},
             here.door->rightInFront ? 1 : 0, [path](Carcass& c, int i) {
               change(c, path, [i](Opening& o) {
                 if (o.door) o.door->rightInFront = i == 1;
               });
             });
    }
    say(tr("."));
  }

  void sizesAround(const OpeningPath& path) {
    OpeningPath parent = path;
    parent.pop_back();
    const auto& split = std::get<Split>(find(body_.inside, parent)->content);
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
          changeContent<Split>(c, parent, [&](Split& s) { s.sizes = sizes.value(); });
          return {};
        });
    say(tr("."));
  }

  void bankWords(const OpeningPath& path, const DrawerBank& bank) {
    say(tr("It holds"));
    choice<BankKind>(tr("what fills it"), bank.kind, [path](Carcass& c, BankKind i) {
      changeContent<DrawerBank>(c, path, [i](DrawerBank& b) { b.kind = i; });
    });
    say(bank.kind == BankKind::Drawers ? tr("with fronts, from the top,")
                                       : tr("in places, from the top,"));
    typedList(tr("drawer fronts"), qs(formatSizeList(bank.fronts, style_)),
              [path, unit = style_.unit](Carcass& c, const QString& text) -> Problems {
                auto sizes = parseSizeList(text.toStdString(), unit, true);
                if (!sizes) return sizes.problems();
                changeContent<DrawerBank>(c, path, [&](DrawerBank& b) {
                  keepIds(sizes.value(), b.fronts);
                  b.fronts = sizes.value();
                });
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
                changeContent<DrawerBank>(c, path, [&](DrawerBank& b) { b.boxHeight = height; });
                return {};
              });
    say(tr("high."));
    if (bank.kind != BankKind::Drawers) return;
    say(tr("The fronts are cut"));
    choice(tr("matched fronts"), {tr("one by one"), tr("as one run of grain")},
           bank.matched ? 1 : 0, [path](Carcass& c, int i) {
             changeContent<DrawerBank>(c, path, [i](DrawerBank& b) { b.matched = i == 1; });
           });
    say(tr("."));
  }

  const Assembly& assembly_;
};

}  // namespace

std::vector<Paragraph> openingSentence(const Job& job, const Assembly& assembly,
                                       const OpeningPath& path) {
  return OpeningWriter(job, assembly).run(path);
}

}  // namespace pp
