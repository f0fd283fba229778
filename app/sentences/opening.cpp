#include "app/sentences/opening.h"

#include "app/sentences/writer.h"
#include "core/designs/size_list.h"
#include "core/kinds/carcass/layout.h"

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
    framed_ = layout && layout->frame;
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
    const auto* bank = std::get_if<DrawerBank>(&here->content);
    if (here->door || (bank != nullptr && bank->kind == BankKind::Drawers)) ownFronts(path, *here);
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
    if (here.door && here.door->hinge == Hinge::Pair && framed_) {
      choice(tr("centre stile"), {tr("that meet"), tr("with a stile of the frame between them")},
             here.door->centreStile ? 1 : 0, [path](Carcass& c, int i) {
               change(c, path, [i](Opening& o) {
                 if (o.door) o.door->centreStile = i == 1;
               });
             });
    }
    if (here.door && here.door->hinge == Hinge::Pair) {
      say(tr(", cut"));
      choice<FrontsCut>(tr("doors of the pair"), here.door->cut, [path](Carcass& c, FrontsCut cut) {
        change(c, path, [cut](Opening& o) {
          if (o.door) o.door->cut = cut;
        });
      });
    }
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

  // What holds for its fronts alone.
  void ownFronts(const OpeningPath& path, const Opening& here) {
    const OpeningFronts& own = here.fronts;
    const auto set = [path](std::optional<Length> OpeningFronts::*field) {
      return [path, field](Carcass& c, std::optional<Length> value) {
        change(c, path, [&](Opening& o) { o.fronts.*field = value; });
      };
    };
    say(tr("Its fronts are"));
    choice(tr("own front style"), QStringList{tr("as the others")} + said<FrontStyle>(),
           own.style ? static_cast<int>(*own.style) + 1 : 0, [path](Carcass& c, int i) {
             change(c, path, [i](Opening& o) {
               o.fronts.style =
                   i == 0 ? std::nullopt : std::optional(static_cast<FrontStyle>(i - 1));
             });
           });
    say(tr(", their grain"));
    choice(tr("own front grain"), QStringList{tr("as ruled")} + said<PanelGrain>(),
           own.grain ? static_cast<int>(*own.grain) + 1 : 0, [path](Carcass& c, int i) {
             change(c, path, [i](Opening& o) {
               o.fronts.grain =
                   i == 0 ? std::nullopt : std::optional(static_cast<PanelGrain>(i - 1));
             });
           });
    say(tr(", the gap"));
    ownLength(tr("own front gap"), own.gap, tr("as of the others"), set(&OpeningFronts::gap));
    if (body_.fronts.fit == FrontFit::Overlay) {
      const QString ruled = tr("by the rule");
      say(tr(", over the left edge"));
      ownLength(tr("own overlay left"), own.left, ruled, set(&OpeningFronts::left));
      say(tr(", the right"));
      ownLength(tr("own overlay right"), own.right, ruled, set(&OpeningFronts::right));
      say(tr(", the lower"));
      ownLength(tr("own overlay below"), own.bottom, ruled, set(&OpeningFronts::bottom));
      say(tr(", the upper"));
      ownLength(tr("own overlay above"), own.top, ruled, set(&OpeningFronts::top));
    }
    say(tr("."));
  }

  // What stands between the openings of a split, and what their fronts are cut from.
  void between(const OpeningPath& parent, const Split& split) {
    if (framed_) {
      say(tr(", which are"));
      choice(tr("sizes are of"), {tr("clear openings"), tr("what the frame leaves open")},
             split.byFrame ? 1 : 0, [parent](Carcass& c, int i) {
               changeContent<Split>(c, parent, [i](Split& s) { s.byFrame = i == 1; });
             });
    }
    say(tr(". Between them"));
    choice(tr("panels between"), {tr("is one panel"), tr("are two panels")}, split.doubled ? 1 : 0,
           [parent](Carcass& c, int i) {
             changeContent<Split>(c, parent, [i](Split& s) {
               s.doubled = i == 0 ? std::nullopt : std::optional(Length{});
             });
           });
    if (split.doubled) {
      length(tr("gap between panels"), *split.doubled, [parent](Carcass& c, Length l) {
        changeContent<Split>(c, parent, [l](Split& s) { s.doubled = l; });
      });
      say(tr("apart"));
    }
    if (framed_)
      choice(tr("frame over panels"),
             {tr("that the frame covers"), tr("that the frame leaves bare")},
             split.uncovered ? 1 : 0, [parent](Carcass& c, int i) {
               changeContent<Split>(c, parent, [i](Split& s) { s.uncovered = i == 1; });
             });
    say(tr(". Fronts in all of them are cut"));
    choice<FrontsCut>(tr("fronts of the row"), split.fronts, [parent](Carcass& c, FrontsCut cut) {
      changeContent<Split>(c, parent, [cut](Split& s) { s.fronts = cut; });
    });
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
    between(parent, split);
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
    say(tr("high, their width"));
    choice(tr("opening measured"), {tr("worked out"), tr("from the opening as it is read:")},
           bank.waits ? 1 : 0, [path](Carcass& c, int i) {
             changeContent<DrawerBank>(c, path, [i](DrawerBank& b) {
               b.waits = i == 1;
               b.readings.clear();
             });
           });
    if (bank.waits)
      readings(tr("readings of the opening"), bank.readings,
               [path](Carcass& c, std::vector<Length> all) {
                 changeContent<DrawerBank>(c, path, [&](DrawerBank& b) { b.readings = all; });
               });
    say(tr("."));
    if (bank.kind != BankKind::Drawers) return;
    say(tr("The fronts are cut"));
    choice<FrontsCut>(tr("matched fronts"), bank.cut, [path](Carcass& c, FrontsCut cut) {
      changeContent<DrawerBank>(c, path, [cut](DrawerBank& b) { b.cut = cut; });
    });
    if (framed_) {
      say(tr(", with"));
      choice(tr("rails between drawers"), {tr("nothing"), tr("a rail of the frame")},
             bank.railed ? 1 : 0, [path](Carcass& c, int i) {
               changeContent<DrawerBank>(c, path, [i](DrawerBank& b) { b.railed = i == 1; });
             });
      say(tr("between them"));
    }
    say(tr("."));
  }

  const Assembly& assembly_;
  bool framed_ = false;
};

}  // namespace

std::vector<Paragraph> openingSentence(const Job& job, const Assembly& assembly,
                                       const OpeningPath& path) {
  return OpeningWriter(job, assembly).run(path);
}

}  // namespace pp
