#include <algorithm>
#include <map>

#include "app/sentences/top.h"
#include "app/sentences/writer.h"
#include "core/formats/usual_sizes.h"
#include "core/job/ids.h"
#include "core/kinds/group/lines.h"
#include "core/kinds/group/rules.h"

namespace pp {
namespace {

class GroupWriter : public SentenceWriter<CarcassGroup> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    members();
    bridges();
    legs();
    stand();
    frame();
    top();
    return std::move(out_);
  }

 private:
  std::string firstMaterial() const { return job_.materials.front().id; }

  // Typed as codes with commas between them; `none`, where it has words, for an empty list.
  void codeList(const QString& name, const std::vector<Id>& ids, const QString& none,
                std::function<std::vector<Id>&(CarcassGroup&)> list) {
    QStringList codes;
    for (const Id id : ids)
      if (const Assembly* member = findAssembly(job_, id)) codes << qs(member->code);
    std::map<std::string, Id> carcasses;
    for (const Assembly& one : job_.assemblies)
      if (one.isCarcass()) carcasses.emplace(one.code, one.id);
    typedList(name, codes.isEmpty() ? none : codes.join(QStringLiteral(", ")),
              [carcasses, none, list](CarcassGroup& g, const QString& text) -> Problems {
                std::vector<Id> out;
                if (none.isEmpty() || text.trimmed() != none)
                  for (const QString& word : text.split(QLatin1Char(','), Qt::SkipEmptyParts)) {
                    const auto at = carcasses.find(word.trimmed().toStdString());
                    if (at == carcasses.end())
                      return {{{},
                               0,
                               "members",
                               "'" + word.trimmed().toStdString() + "'",
                               "the code of a carcass of this job"}};
                    out.push_back(at->second);
                  }
                list(g) = std::move(out);
                return {};
              });
  }

  void members() {
    begin();
    say(tr("The carcasses"));
    codeList(tr("members of the group"), body_.members, {},
             [](CarcassGroup& g) -> std::vector<Id>& { return g.members; });
    say(tr("stand side by side along the rear wall, from the left,"));
    const bool typed = body_.width.has_value();
    choice(tr("width of the group"), {tr("each as wide as it is"), tr("together as wide as")},
           typed ? 1 : 0, [now = wide()](CarcassGroup& g, int i) {
             g.width = i == 0 ? std::nullopt : std::optional(now);
             g.fixed.clear();
           });
    if (typed) {
      length(tr("typed width of the group"), *body_.width,
             [](CarcassGroup& g, Length l) { g.width = l; });
      say(tr(", shared by all but"));
      codeList(tr("members that keep their width"), body_.fixed, tr("none"),
               [](CarcassGroup& g) -> std::vector<Id>& { return g.fixed; });
    }
    say(tr("."));
  }

  Length wide() const {
    if (const auto lines = groupLines(job_, body_)) return lines->wall;
    return widthOf(job_, body_);
  }

  // Gaps that loose shelves lie across.
  void bridges() {
    begin();
    for (std::size_t i = 0; i < body_.bridges.size(); ++i) {
      const GroupBridge& bridge = body_.bridges[i];
      const Assembly* left = findAssembly(job_, bridge.after);
      const QString after = left == nullptr ? QString() : qs(left->code);
      choice(tr("gap after %1").arg(after), {tr("After %1 a gap").arg(after), tr("close it")}, 0,
             [i](CarcassGroup& g, int chosen) {
               if (chosen == 1) g.bridges.erase(g.bridges.begin() + static_cast<std::ptrdiff_t>(i));
             });
      length(tr("width of the gap after %1").arg(after), bridge.width,
             [i](CarcassGroup& g, Length l) { g.bridges[i].width = l; });
      say(tr("wide is crossed by"));
      count(tr("shelves after %1").arg(after), bridge.shelves, 1, 20,
            [i](CarcassGroup& g, int n) { g.bridges[i].shelves = n; });
      say(tr("loose shelves of"));
      material(tr("shelf material after %1").arg(after), bridge.material,
               [i](CarcassGroup& g, const std::string& id) { g.bridges[i].material = id; });
      say(tr("on ledges"));
      length(tr("ledge after %1").arg(after), bridge.ledge,
             [i](CarcassGroup& g, Length l) { g.bridges[i].ledge = l; });
      say(tr("high."));
    }
    QStringList offers = {body_.bridges.empty() ? tr("No gap") : tr("No other gap")};
    std::vector<Id> free;
    for (const Id id : body_.everyMember()) {
      const std::vector<Id> line = body_.lineOf(id).members;
      const bool taken = std::any_of(body_.bridges.begin(), body_.bridges.end(),
                                     [id](const GroupBridge& one) { return one.after == id; });
      const Assembly* member = findAssembly(job_, id);
      if (taken || line.back() == id || member == nullptr) continue;
      offers << tr("A gap after %1").arg(qs(member->code));
      free.push_back(id);
    }
    choice(tr("gap between members"), offers, 0,
           [free, plywood = firstMaterial()](CarcassGroup& g, int i) {
             if (i == 0) return;
             GroupBridge added;
             added.after = free[static_cast<std::size_t>(i - 1)];
             added.material = plywood;
             g.bridges.push_back(added);
           });
    say(tr("is left between two of them for loose shelves."));
  }

  // Round a corner, or in a nook.
  void legs() {
    for (const bool isLeft : {true, false}) {
      const auto& leg = isLeft ? body_.left : body_.right;
      const QString side = isLeft ? tr("left") : tr("right");
      const auto reach = [isLeft](CarcassGroup& g) -> std::optional<GroupLeg>& {
        return isLeft ? g.left : g.right;
      };
      begin();
      choice(tr("%1 wall").arg(side),
             {tr("Nothing stands along the %1 wall").arg(side),
              tr("Along the %1 wall stand").arg(side)},
             leg ? 1 : 0, [reach](CarcassGroup& g, int i) {
               if (i == 0) return reach(g).reset();
               if (reach(g) || g.members.size() < 2) return;
               // The last of the line goes round the corner, to be said otherwise.
               reach(g).emplace().members = {g.members.back()};
               std::erase(g.fixed, g.members.back());
               g.members.pop_back();
             });
      if (leg) {
        codeList(tr("members along the %1 wall").arg(side), leg->members, {},
                 [reach](CarcassGroup& g) -> std::vector<Id>& { return reach(g)->members; });
        say(tr(", from the corner on, which keeps"));
        length(tr("%1 corner filler").arg(side), leg->filler,
               [reach](CarcassGroup& g, Length l) { reach(g)->filler = l; });
        say(tr("free; the line along the rear wall"));
        choice(tr("%1 corner").arg(side), {tr("ends before it"), tr("runs on behind it")},
               leg->blind ? 1 : 0, [reach](CarcassGroup& g, int i) { reach(g)->blind = i == 1; });
      }
      say(tr("."));
    }
    if (!body_.left && !body_.right) return;
    begin();
    say(tr("Strips close the corners, of"));
    material(tr("corner filler material"), &CarcassGroup::fillerMaterial, tr("nothing"));
    say(tr("; tops are"));
    choice<CornerTop>(tr("corner of the tops"), body_.cornerTop,
                      [](CarcassGroup& g, CornerTop t) { g.cornerTop = t; });
    say(tr("in them."));
  }

  void stand() {
    begin();
    say(tr("They stand"));
    const std::string plywood = firstMaterial();
    choice(tr("stand"), {tr("each by itself"), tr("on one base frame")}, body_.stand ? 1 : 0,
           [plywood, unit = style_.unit](CarcassGroup& g, int i) {
             g.stand.reset();
             if (i == 0) return;
             g.stand = inUsualSizes(Stand{}, unit);
             g.stand->kind = StandKind::Frame;
             g.stand->material = plywood;
           });
    if (!body_.stand) return say(tr("."));
    length(tr("stand height"), body_.stand->height,
           [](CarcassGroup& g, Length l) { g.stand->height = l; });
    say(tr("high, taken off each case's own height, set in"));
    length(tr("stand set-in"), body_.stand->setIn,
           [](CarcassGroup& g, Length l) { g.stand->setIn = l; });
    say(tr(", of"));
    material(tr("stand material"), body_.stand->material,
             [](CarcassGroup& g, const std::string& id) { g.stand->material = id; });
    say(tr(", in sections of at most"));
    length(tr("longest section"), body_.stand->longest,
           [](CarcassGroup& g, Length l) { g.stand->longest = l; });
    say(tr(", cross pieces every"));
    length(tr("cross piece spacing"), body_.stand->crossEvery,
           [](CarcassGroup& g, Length l) { g.stand->crossEvery = l; });
    say(tr("."));
  }

  void frame() {
    begin();
    const std::string plywood = firstMaterial();
    choice(tr("face frame"), {tr("No face frame"), tr("One face frame")}, body_.frame ? 1 : 0,
           [plywood, unit = style_.unit](CarcassGroup& g, int i) {
             g.frame.reset();
             if (i == 0) return;
             g.frame = inUsualSizes(FaceFrame{}, unit);
             g.frame->material = plywood;
             g.frame->middle = usual(unit, Length::mm(60), Length::in(2, 1, 2));
           });
    if (!body_.frame) return say(tr("runs over them."));
    faceFrame(tr("runs over them"));
  }

  void top() {
    begin();
    const std::string plywood = firstMaterial();
    choice(tr("worktop"), {tr("No worktop"), tr("A worktop")}, body_.top ? 1 : 0,
           [plywood, unit = style_.unit](CarcassGroup& g, int i) {
             g.top.reset();
             if (i == 0) return;
             g.top = inUsualSizes(Top{}, unit);
             g.top->material = plywood;
             g.top->longest = Length{};
           });
    if (!body_.top) return say(tr("lies on them."));
    say(tr("lies on them."));
    const auto reach = [](Edited& e) -> Top& {
      return *std::get<CarcassGroup>(e.assembly.body).top;
    };
    for (Paragraph& paragraph : TopWriter(job_, *body_.top, reach).shape())
      out_.push_back(std::move(paragraph));
  }
};

}  // namespace

template <>
std::vector<Paragraph> sentence(const Saying& in, const CarcassGroup& of) {
  return GroupWriter(in.job, of).run();
}

template <>
QString remark(const CarcassGroup& /*of*/) {
  return {};
}

}  // namespace pp
