# frozen_string_literal: true

# The table of docs/constructions.md, counted from catalogue documents.
module ConstructionsTable
  HEAD = <<~TEXT
    # What the demo holds of each construction

    Counted from `data/demo/catalogue/` by `bin/constructions`; a test holds this page to it.

    | construction | series | identify: traits, models | scope: areas | teardown: groups | kits | keep | count out | consumables | inspection: criteria | finish |
    |---|---|---|---|---|---|---|---|---|---|---|
  TEXT

  module_function

  # @param documents [Array<Hash>]
  # @return [String] Markdown
  def call(documents)
    rows = documents.sort_by do |document|
      [document["series"]["construction"], document["series"]["id"]]
    end.map { |document| "| #{cells(document).join(' | ')} |\n" }
    HEAD + rows.join
  end

  def cells(document)
    layers = document["stacks"].flat_map { |stack| stack["layers"] }
    traits = document["traits"].keys | document["models"].flat_map { |model| model["traits"].keys }
    [document["series"]["construction"], document["series"]["name"], "#{traits.size}, #{document['models'].size}",
     document["areas"].map { |area| area["id"] }.join(", "), document["groups"].size, (document["kits"] || []).size,
     layers.count { |layer| layer["reuse"] == "keep" }, layers.count { |layer| layer["count_out"] }, usages(document, layers),
     layers.sum { |layer| (layer["criteria"] || []).size }, (document["finish"] || []).size]
  end

  def usages(document, layers)
    (document["groups"] + document["areas"] + layers).flat_map { |group| group["consumables"] || [] }.map { |usage| usage["consumable"] }.uniq.size
  end
end
