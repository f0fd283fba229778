#include "app/sentences/sentence.h"

#include <algorithm>

#include "app/sentences/writer.h"

namespace pp {
namespace {

// What is said of every assembly: how many of it there are and how it is finished.
Paragraph howMany(const Job& job, const Assembly& assembly) {
  const auto words = [](const QString& text) {
    Phrase out;
    out.text = text;
    return out;
  };
  Phrase copies;
  copies.name = QObject::tr("copies");
  copies.text = copies.typed = QString::number(assembly.copies);
  copies.setText = [](Edited& e, const QString& text) -> Problems {
    const auto n = parseCount(text.trimmed().toStdString(), 1, 1'000);
    if (!n) return n.problems();
    e.assembly.copies = *n;
    return {};
  };
  Phrase finish;
  finish.name = QObject::tr("finish");
  finish.choices = said<Finish>();
  finish.chosen = static_cast<int>(assembly.finish);
  finish.text = finish.choices[finish.chosen];
  finish.choose = [](Edited& e, int i) { e.assembly.finish = static_cast<Finish>(i); };
  Paragraph out = {copies, words(QObject::tr("of it are built. It is")), finish};
  std::vector<std::string> lots = {""};
  for (const StockPiece& piece : job.stock)
    if (piece.measured && !piece.lot.empty() &&
        std::find(lots.begin(), lots.end(), piece.lot) == lots.end())
      lots.push_back(piece.lot);
  // Of a group: what is its own, base, frame and strips; its members say theirs.
  if (lots.size() > 1) {
    Phrase lot;
    lot.name = QObject::tr("lot");
    lot.choices = {QObject::tr("any lot")};
    for (std::size_t i = 1; i < lots.size(); ++i)
      lot.choices << QObject::tr("lot %1").arg(qs(lots[i]));
    const auto at = std::find(lots.begin(), lots.end(), assembly.lot);
    lot.chosen = at == lots.end() ? 0 : static_cast<int>(at - lots.begin());
    lot.text = lot.choices[lot.chosen];
    lot.choose = [lots](Edited& e, int i) { e.assembly.lot = lots[static_cast<std::size_t>(i)]; };
    out.push_back(words(QObject::tr(", cut from")));
    out.push_back(lot);
  }
  out.push_back(words(QObject::tr(".")));
  return out;
}

}  // namespace

std::vector<Paragraph> describe(const Job& job, const Assembly& assembly,
                                const std::optional<OpeningPath>& selected) {
  const Saying in{job, assembly, selected};
  std::vector<Paragraph> out =
      std::visit([&in](const auto& body) { return sentence(in, body); }, assembly.body);
  out.push_back(howMany(job, assembly));
  return out;
}

QString remark(const AssemblyBody& body) {
  return std::visit([](const auto& one) { return remark(one); }, body);
}

}  // namespace pp
