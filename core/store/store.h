// The shop's own file, shared by all jobs and windows: what is in the rack, what of it is promised
// to which job, what else the shop owns. Every change is one transaction. A file that another
// window is writing is waited for; one that is missing, locked for good, full or broken gives a
// problem that says so, and changes nothing.
#pragma once

#include <map>
#include <memory>

#include "core/result/result.h"
#include "core/shop/rack.h"

namespace pp {

struct JobWants;

class Store {
 public:
  // Opens the file, and makes it where there is none. One of an older version is copied beside
  // itself before it is made one of this version.
  static Result<Store> open(const std::string& path);
  // For looking only; the file must be there and of this version.
  static Result<Store> openToRead(const std::string& path);
  Store(Store&&) noexcept;
  Store& operator=(Store&&) noexcept;
  ~Store();

  const std::string& path() const;
  // How long it waits for others who write, in milliseconds.
  void setPatience(int milliseconds);

  // Rows of a kind: RackMaterial, RackPiece, LotReading, RackBanding, Hardware, ShopFinish.
  template <class Row>
  Result<std::vector<Row>> all();
  // Gives it its id, and a piece that wants one the next free tag (tag -1).
  template <class Row>
  Result<Id> add(Row row);
  template <class Row>
  std::optional<Problem> change(const Row& row);
  // Refused where something is made of it, or somebody has it.
  template <class Row>
  std::optional<Problem> remove(Id id);

  // The material so called and so thick; where there is none, that one is made.
  Result<Id> materialLike(const RackMaterial& material);

  Result<std::vector<RackRow>> rack(const RackSearch& search = {});
  Result<std::vector<RackHolder>> holders(Id piece);
  Result<std::vector<Held>> heldBy(const std::string& job);
  // Of what a job gave back, by cutting and leftover.
  Result<std::map<std::pair<int, std::string>, std::int64_t>> tags(const std::string& job);
  Result<std::int64_t> nextTag();

  // Promises the pieces to a cutting of a job, all of them or none. What that cutting had before is
  // taken as given up. Problems name what is not free, and who has it.
  Problems take(const std::string& job, const std::string& name, int cutting,
                const std::map<Id, std::int64_t>& pieces);
  // What the job has from now on. Nothing happens where the store has followed the job further
  // already. Gives the tags of what came back, by cutting and leftover.
  Result<std::map<std::pair<int, std::string>, std::int64_t>> follow(const JobHolding& holding);

  // What a job needs of the shop from now on; nothing: it is forgotten.
  std::optional<Problem> want(const JobWants& wants);
  // Of all jobs that need something, by name.
  Result<std::vector<JobWants>> wants();
  // Puts what was bought to what is there, all of it or nothing; gives the ids of its pieces.
  Result<std::vector<Id>> book(const Booking& booking);

  // House rules and the like, one text by name; empty: none.
  Result<std::string> setting(const std::string& name);
  std::optional<Problem> set(const std::string& name, const std::string& value);

  // All of it as one JSON text, and the other way: what was there before is replaced whole.
  Result<std::string> exported();
  Problems import(const std::string& file, std::string_view text);

  // What is wrong with it: a broken file, a piece promised twice.
  Problems check();

 private:
  struct Inside;
  explicit Store(std::unique_ptr<Inside> inside);
  std::unique_ptr<Inside> inside_;
};

// Where the store of this user lies: below XDG_DATA_HOME, or ~/.local/share.
std::string usualStorePath();

}  // namespace pp
