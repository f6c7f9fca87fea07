# frozen_string_literal: true

require_relative "../core/1_catalogue/wet_end"
require_relative "../core/input_error"
require_relative "order_record"

module Gimlet
  module Present
    # Records of orders as earlier versions kept them, read as the present one. What an earlier version did not know is left open.
    module OldRecords
      # Part of a record => what each of its rows lacks.
      ADDED = {
        "why" => { "had" => 0 }, "tools" => { "has" => false, "how" => nil, "substitute" => nil, "price_cents" => nil },
        "consumables" => { "number" => nil, "packs" => nil },
        "tightening" => { "orders" => [], "rounds" => [], "round_torques" => [], "walk" => [], "wrench" => nil, "setting" => nil, "tolerance" => nil,
                          "entered" => false, "doubt" => nil },
        "stacks" => { "positions" => [], "drawing" => nil }
      }.freeze
      LINES = { "lines" => { "pack" => 1, "reason" => nil }, "unfilled" => { "stand_ins" => [] } }.freeze
      LAYER = { "slot" => nil, "fates" => [], "look" => [], "inside" => nil }.freeze
      WHOLE = { "held" => [], "refit" => nil, "extent" => nil, "left_out" => {} }.freeze

      # What every record has, from the first version on; and what orders had before there was a record.
      PARTS = %w[pump seen work parts why keep count_out tools consumables tightening steps stacks cautions assumptions unit].freeze
      ON_SCREEN = %w[plan sure models readings].freeze

      module_function

      # @param document [Hash] string keys, of any version
      # @return [Hash] of the present version, string keys
      # @raise [Core::InputError] when it is of no version that is known, or lacks what its version has
      def read(document)
        case document.is_a?(Hash) && document.fetch("record", 0)
        when OrderRecord::VERSION then whole(document, PARTS)
        when 1 then from_first(whole(document, PARTS))
        when 0 then from_first(from_screen(whole(document, ON_SCREEN)))
        else unreadable("it is of a format that this version of Gimlet does not know")
        end
      end

      def whole(document, parts)
        missing = parts - document.compact.keys
        missing.empty? ? document : unreadable("it lacks #{missing.first(3).join(', ')}")
      end

      def unreadable(why)
        Core::InputError.reject("record", "unreadable",
                                "The record of this order cannot be read: #{why}. Use the version that wrote it, or restore a copy.")
      end

      def from_first(document)
        rows = ADDED.to_h { |part, added| [part, document[part].map { |row| added.merge(row) }] }
        stacks = rows["stacks"].map { |stack| stack.merge("id" => stack["name"], "layers" => stack["layers"].map { |layer| LAYER.merge(layer) }) }
        lines = LINES.to_h { |part, added| [part, document["parts"][part].map { |row| added.merge(row) }] }
        document.merge(WHOLE, rows, "record" => OrderRecord::VERSION, "stacks" => stacks, "parts" => document["parts"].merge(lines),
                                    "keep" => document["keep"].map { |one| kept(one) }, "work" => work(document["work"]))
      end

      def kept(one)
        fate, to_do = one["inspect"] ? ["inspect", "look over"] : ["keep", "put back"]
        { "fate" => fate, "to_do" => to_do, "look" => [], "limits" => [] }.merge(one.except("inspect"))
      end

      def work(one) = one.merge("found" => one["worn"].map { |slot| "#{slot.tr('_', ' ')}: renew it" }).except("worn")

      # Before there was a record, orders kept the screen's own plan.
      def from_screen(document)
        plan = document.fetch("plan")
        names = Core::Catalogue::WORK_AREAS
        chosen = plan["plans"].first
        work = { "areas" => plan["scope"].map { |id| { "id" => id, "name" => names.fetch(id, id) } },
                 "added" => plan["added"].map { |id, why| { "name" => names.fetch(id, id), "why" => why } },
                 "not_on_file" => plan["not_on_file"].map { |id| names.fetch(id, id) }, "pumps" => plan["pumps"], "complaints" => [], "worn" => [] }
        { "record" => 1, "reason" => nil, "doubts" => [], "sure" => document["sure"], "models" => document["models"],
          "pump" => plan.slice("maker", "model", "series", "manual").merge("serials" => plan["serial_range"]),
          "seen" => document["readings"].map { |one| one["text"] }, "work" => work, "why" => plan["demand"],
          "parts" => { "plan" => chosen["name"], **chosen.slice("lines", "unfilled", "surplus", "price_cents") },
          **plan.slice("keep", "count_out", "tools", "consumables", "tightening", "steps", "stacks", "cautions", "assumptions"),
          "unit" => plan["units"], "catalogue_version" => plan["catalogue_version"], "entry" => nil }
      end
    end
  end
end
