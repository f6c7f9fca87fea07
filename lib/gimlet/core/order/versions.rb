# frozen_string_literal: true

require_relative "../plain"
require_relative "../1_catalogue/layer"
require_relative "../1_catalogue/wet_end"
require_relative "../4_demand/fates"
require_relative "../input_error"
require_relative "record"

module Gimlet::Core
  class Order
    # Records as any version kept them, read as the present one. What an earlier version did not know is left open.
    #
    #   Versions.read({"record" => 1, ...})["record"] # => 2
    module Versions
      # Part of a record => what each of its rows has where it says nothing. A field that a row gains gets its default here.
      ROWS = {
        "why" => { "had" => 0 }, "tools" => { "has" => false, "how" => nil, "substitute" => nil, "price_cents" => nil },
        "consumables" => { "number" => nil, "packs" => nil },
        "tightening" => { "orders" => [], "rounds" => [], "round_torques" => [], "walk" => [], "wrench" => nil, "setting" => nil,
                          "tolerance" => nil, "entered" => false, "doubt" => nil, "checked" => nil },
        "steps" => { "stacks" => [], "tools" => [] },
        "stacks" => { "positions" => [], "built" => [], "drawing" => nil, "checked" => nil }, "keep" => { "look" => [], "limits" => [] }
      }.freeze
      PARTS_ROWS = { "lines" => { "pack" => 1, "reason" => nil, "promised" => 0 }, "unfilled" => { "stand_ins" => [], "by_hand" => false } }.freeze
      LAYER = { "slot" => nil, "fates" => [], "look" => [], "inside" => nil, "opens_to" => nil, "size_mm" => nil }.freeze
      WHOLE = { "stops" => [], "held" => [], "refit" => nil, "extent" => nil, "left_out" => {}, "outside" => [] }.freeze

      # Cautions once stood before the work as a whole.
      UNSIGNED = { "picture" => "mind", "title" => nil, "before" => "open", "at" => nil }.freeze

      # What every record has, from the first version on; and what orders had before there was a record.
      PARTS = %w[pump seen work parts why keep count_out tools consumables tightening steps stacks cautions assumptions unit].freeze
      ON_SCREEN = %w[plan sure models readings].freeze

      module_function

      # @param document [Hash] string keys, of any version
      # @return [Hash] of the present version, string keys
      # @raise [InputError] when it is of no version that is known, or lacks what its version has
      def read(document)
        case document.is_a?(Hash) && document.fetch("record", 0)
        when Record::VERSION then completed(whole(document, PARTS))
        when 1 then completed(from_first(whole(document, PARTS)))
        when 0 then completed(from_first(from_screen(whole(document, ON_SCREEN))))
        else unreadable("it is of a format that this version of Gimlet does not know")
        end
      end

      def whole(document, parts)
        missing = parts - document.compact.keys
        missing.empty? ? document : unreadable("it lacks #{missing.first(3).join(', ')}")
      end

      def unreadable(why)
        InputError.reject("record", "unreadable",
                          "The record of this order cannot be read: #{why}. Use the version that wrote it, or restore a copy.")
      end

      def completed(document)
        rows = ROWS.to_h { |part, defaults| [part, document[part].map { |row| defaults.merge(row) }] }
        parts = PARTS_ROWS.to_h { |part, defaults| [part, document["parts"][part].map { |row| defaults.merge(row) }] }
        stacks = rows["stacks"].map { |stack| { "id" => stack["name"] }.merge(stack, "layers" => stack["layers"].map { |row| layer(row) }) }
        rows["consumables"] = rows["consumables"].map { |row| { "how_much" => "#{row['amount']} #{row['unit']}" }.merge(row) }
        unsigned = { "signs" => Array.new(document["cautions"].size, UNSIGNED) }
        WHOLE.merge(unsigned, document, rows, "stacks" => stacks, "parts" => document["parts"].merge(parts))
      end

      def layer(row)
        whole = Catalogue::LayerFields::TOLD.transform_values { nil }.merge(LAYER, row)
        { "told" => Catalogue::LayerFields.in_words(whole), "drawn" => Fates.foremost(whole["fates"])&.to_s }.merge(whole)
      end

      def from_first(document)
        document.merge("record" => 2, "keep" => document["keep"].map { |row| kept(row) }, "work" => work(document["work"]))
      end

      def kept(row)
        fate, to_do = row["inspect"] ? ["inspect", "look over"] : ["keep", "put back"]
        { "fate" => fate, "to_do" => to_do }.merge(row.except("inspect"))
      end

      def work(row) = row.merge("found" => row["worn"].map { |slot| "#{Plain.name(slot)}: renew it" }).except("worn")

      # Before there was a record, orders kept the screen's own plan.
      def from_screen(document)
        plan = document.fetch("plan")
        names = Catalogue::WORK_AREAS
        chosen = plan["plans"].first
        work = { "areas" => plan["scope"].map { |id| { "id" => id, "name" => names.fetch(id, id) } },
                 "added" => plan["added"].map { |id, why| { "name" => names.fetch(id, id), "why" => why } },
                 "not_on_file" => plan["not_on_file"].map { |id| names.fetch(id, id) }, "pumps" => plan["pumps"], "complaints" => [], "worn" => [] }
        { "record" => 1, "reason" => nil, "doubts" => [], "sure" => document["sure"], "models" => document["models"],
          "pump" => plan.slice("maker", "model", "series", "manual").merge("serials" => plan["serial_range"]),
          "seen" => document["readings"].map { |row| row["text"] }, "work" => work, "why" => plan["demand"],
          "parts" => { "plan" => chosen["name"], **chosen.slice("lines", "unfilled", "surplus", "price_cents") },
          **plan.slice("keep", "count_out", "tools", "consumables", "tightening", "steps", "stacks", "cautions", "assumptions"),
          "unit" => plan["units"], "catalogue_version" => plan["catalogue_version"], "entry" => nil }
      end
    end
  end
end
