#include <map>

#include "app/sentences/top.h"
#include "app/sentences/writer.h"
#include "core/job/ids.h"

namespace pp {
namespace {

class GroupWriter : public SentenceWriter<CarcassGroup> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    members();
    stand();
    frame();
    top();
    return std::move(out_);
  }

 private:
  std::string firstMaterial() const { return job_.materials.front().id; }

  void members() {
    QStringList codes;
    std::map<std::string, Id> carcasses;
    for (const Assembly& one : job_.assemblies)
      if (one.isCarcass()) carcasses.emplace(one.code, one.id);
    for (const Id id : body_.members)
      if (const Assembly* member = findAssembly(job_, id)) codes << qs(member->code);
    begin();
    say(tr("The carcasses"));
    typedList(
        tr("members of the group"), codes.join(QStringLiteral(", ")),
        [carcasses](CarcassGroup& g, const QString& text) -> Problems {
          g.members.clear();
          for (const QString& word : text.split(QLatin1Char(','), Qt::SkipEmptyParts)) {
            const std::string code = word.trimmed().toStdString();
            const auto at = carcasses.find(code);
            if (at == carcasses.end())
              return {{{}, 0, "members", "'" + code + "'", "the code of a carcass of this job"}};
            g.members.push_back(at->second);
          }
          return {};
        });
    say(tr("stand side by side, from the left."));
  }

  void stand() {
    begin();
    say(tr("They stand"));
    const std::string plywood = firstMaterial();
    choice(tr("stand"), {tr("each by itself"), tr("on one base frame")}, body_.stand ? 1 : 0,
           [plywood](CarcassGroup& g, int i) {
             g.stand.reset();
             if (i == 0) return;
             g.stand = Stand{};
             g.stand->kind = StandKind::Frame;
             g.stand->material = plywood;
           });
    if (!body_.stand) return say(tr("."));
    length(tr("stand height"), body_.stand->height,
           [](CarcassGroup& g, Length l) { g.stand->height = l; });
    say(tr("high, set in"));
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
           [plywood](CarcassGroup& g, int i) {
             g.frame.reset();
             if (i == 0) return;
             g.frame = FaceFrame{};
             g.frame->material = plywood;
             g.frame->middle = Length::mm(60);
           });
    if (!body_.frame) return say(tr("runs over them."));
    faceFrame(tr("runs over them"));
  }

  void top() {
    begin();
    const std::string plywood = firstMaterial();
    choice(tr("worktop"), {tr("No worktop"), tr("A worktop")}, body_.top ? 1 : 0,
           [plywood](CarcassGroup& g, int i) {
             g.top.reset();
             if (i == 0) return;
             g.top = Top{};
             g.top->material = plywood;
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

std::vector<Paragraph> sentence(const Saying& in, const CarcassGroup& of) {
  return GroupWriter(in.job, of).run();
}

QString remark(const CarcassGroup& /*of*/) {
  return {};
}

}  // namespace pp
