# frozen_string_literal: true

require_relative "series"
require_relative "tightening"

module Gimlet
  module Core
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
          { maker: value(Maker, @document["maker"]), traits: @document["traits"], models: models,
            serial_breaks: serial_breaks, abbreviations: @document["series"]["abbreviations"] || [],
            trait_definitions: @document["trait_definitions"] || [] }
        end

        def goods = { parts: parts, kits: kits, fits: fits }

        def wet_end
          { stacks: list("stacks") { |row| stack(row) }, areas: list("areas") { |row| with_usages(Area, row) },
            groups: list("groups") { |row| with_usages(Group, row) },
            fasteners: list("fasteners") { |row| fastener(row) },
            tools: list("tools") { |row| value(Tool, row, condition: row["for"]) },
            consumables: list("consumables") { |row| value(Consumable, row) },
            together: list("change_together") { |row| value(Together, row) },
            cautions: list("cautions") { |row| value(Caution, row) },
            faces: list("faces") { |row| value(Face, row) } }
        end

        def models
          list("models") { |row| value(Model, row, popularity: row.fetch("popularity", 1)) }
        end

        def serial_breaks
          list("serial_breaks") do |row|
            value(SerialBreak, row, share_from: row.fetch("share_from", 0.5),
                                    traits_before: row["traits_before"] || {}, traits_from: row["traits_from"] || {})
          end
        end

        def parts
          list("parts") { |row| value(Part, row, spec: row["spec"] || {}, interchange: row["interchange"] || []) }
        end

        def kits
          list("kits") do |row|
            value(Kit, row, condition: row["for"],
                            contents: row["contents"].to_h { |line| [line["part"], line["quantity"]] })
          end
        end

        def fits
          list("fits") { |row| value(Fit, row, condition: row["for"]) }
        end

        def stack(row)
          value(Stack, row, layers: row["layers"].map { |layer| value(Layer, layer, condition: layer["for"]) })
        end

        def with_usages(type, row)
          defaults = type.members.intersection(%i[after opens stacks work fasteners tools]).to_h { |key| [key, []] }
          defaults[:disturbs] = {} if type.members.include?(:disturbs)
          usages = (row["consumables"] || []).map { |usage| value(Usage, usage) }
          type.new(**defaults, **fields(type, row), consumables: usages)
        end

        def fastener(row)
          points = row["points"].map { |label, x, y| Point.new(label: label.to_s, x_mm: x, y_mm: y) }
          tightenings = row["tightenings"].map { |entry| Tightening.from(entry) }
          value(Fastener, row, points: points, tightenings: tightenings, pattern: row["pattern"].to_sym)
        end

        def list(key, &) = (@document[key] || []).map(&)
        def value(type, row, **others) = type.new(**fields(type, row), **others)

        def fields(type, row)
          type.members.each_with_object({}) { |key, all| all[key] = row[key.to_s] if row.key?(key.to_s) }
        end
      end
    end
  end
end
