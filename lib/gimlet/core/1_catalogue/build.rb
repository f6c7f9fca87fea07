# frozen_string_literal: true

require_relative "../plain"
require_relative "series"
require_relative "tightening"

module Gimlet::Core
  module Catalogue
    # Turns one catalogue document (string-keyed hashes and arrays, already valid against the schema)
    # into a Series. Lengths in mm, masses in kg.
    class Build
      # @param document [Hash]
      # @return [Series]
      def self.call(document) = new(document).call

      def initialize(document)
        @document = document
      end

      # Nothing inside can be changed: snapshots are shared by all threads.
      def call
        Ractor.make_shareable(Series.new(**fields(Series, @document["series"]), **pumps, **goods, **wet_end))
      end

      private

      def pumps
        { maker: value(Maker, @document["maker"]), item: @document["item"] || "pump",
          traits: traits(@document["traits"]), models: models,
          serial_breaks: serial_breaks, abbreviations: @document["series"]["abbreviations"] || [],
          trait_definitions: @document["trait_definitions"] || [] }
      end

      def goods = { parts: parts, kits: kits, fits: list("fits") { |row| value(Fit, row) } }

      def wet_end
        { stacks: list("stacks") { |row| stack(row) }, areas: list("areas") { |row| area(row) },
          groups: list("groups") { |row| with_usages(Group, row) }, fasteners: list("fasteners") { |row| fastener(row) },
          close_order: list("close_order") { |row| with_usages(CloseStep, row) }, axes: list("axes") { |row| axis(row) },
          tools: list("tools") { |row| value(Tool, row) }, consumables: list("consumables") { |row| value(Consumable, row) },
          together: list("change_together") { |row| value(Together, row) },
          refit: @document["refit"] && value(Refitting, @document["refit"]), finish: list("finish") { |row| value(Finish, row) },
          cautions: list("cautions") { |row| value(Caution, row) }, faces: list("faces") { |row| face(row) }, outside: outside,
          sources: list("sources") { |row| value(Source, row) } }
      end

      def models
        list("models") { |row| value(Model, row, popularity: row.fetch("popularity", 1), traits: traits(row["traits"])) }
      end

      # Without a share on file, breaks part the pumps in use evenly.
      def serial_breaks
        rows = (@document["serial_breaks"] || []).sort_by { |row| row["from"] }
        rows.each_with_index.map do |row, at|
          value(SerialBreak, row, share_from: row.fetch("share_from", 1 - ((at + 1.0) / (rows.size + 1))),
                                  traits_before: traits(row["traits_before"] || {}), traits_from: traits(row["traits_from"] || {}))
        end
      end

      # A rating may be what the item serves: { "from" => 4, "up_to" => 20 }.
      def traits(rows)
        rows.transform_values { |one| one.is_a?(Hash) ? (one["from"]..one["up_to"]) : one }
      end

      def parts
        list("parts") do |row|
          stand_ins = (row["stand_ins"] || []).map { |one| value(StandIn, one) }
          value(Part, row, spec: row["spec"] || {}, interchange: row["interchange"] || [], stand_ins: stand_ins)
        end
      end

      def kits
        list("kits") { |row| value(Kit, row, contents: row["contents"].to_h { |line| [line["part"], line["quantity"]] }, checked: checked(row)) }
      end

      def stack(row) = value(Stack, row, layers: row["layers"].map { |layer| layer(layer) }, checked: checked(row))

      def axis(row)
        Axis.new(stacks: row["stacks"].map { |one| one.values_at("stack", "open") },
                 passed_by: (row["passed_by"] || []).map { |one| value(Passage, one) })
      end

      def checked(row) = Checked.from(row["checked"])

      def layer(row)
        value(Layer, row, criteria: (row["criteria"] || []).map { |one| value(Criterion, one) }, renew_with: row["renew_with"] || [],
                          consumables: usages(row))
      end

      def area(row)
        name = row["name"] || WORK_AREAS.fetch(row["id"], Plain.name(row["id"]))
        with_usages(Area, row).with(name: name, called: row["called"] || [], work: (row["work"] || []).map { |one| work(one) })
      end

      def work(one) = one.is_a?(String) ? Work.new(text: one, tools: []) : value(Work, one, tools: one["tools"] || [])

      def with_usages(type, row)
        defaults = type.members.intersection(%i[after on opens stacks fasteners tools]).to_h { |key| [key, []] }
        %i[disturbs puts].each { |key| defaults[key] = {} if type.members.include?(key) }
        defaults[:checked] = checked(row) if type.members.include?(:checked)
        type.new(**fields(type, row).then { |own| defaults.merge(own.except(:checked)) }, consumables: usages(row))
      end

      def usages(row) = (row["consumables"] || []).map { |usage| value(Usage, usage, per: usage["per"] || "piece") }

      def fastener(row)
        sets = (row["sets"] || [{ "points" => row["points"] }]).map { |set| bolts(set) }
        value(Fastener, row, sets: sets, tightenings: row["tightenings"].map { |entry| Tightening.from(entry) },
                             pattern: row["pattern"].to_sym)
      end

      def bolts(set)
        points = set["points"].map do |label, x, y, at|
          Point.new(label: label.to_s, x_mm: x, y_mm: y, at: at ? [at] : set["at"])
        end
        BoltSet.new(name: set["name"], points: points)
      end

      def face(row) = value(Face, row, sides: row["sides"] || FACE_SIDES.fetch(row["id"], []))

      def outside
        row = @document["outside"] || {}
        value(Outline, row, marks: (row["marks"] || []).map { |spot| value(Spot, spot) })
      end

      def list(key, &) = (@document[key] || []).map(&)
      def value(type, row, **others) = type.new(**fields(type, row), **others)

      # A document says `for`, a word that Ruby keeps to itself.
      def fields(type, row)
        type.members.each_with_object({}) do |member, all|
          key = member == :condition ? "for" : member.to_s
          all[member] = row[key] if row.key?(key)
        end
      end
    end
  end
end
