# frozen_string_literal: true

require_relative "../plain"

module Gimlet::Core
  module Catalogue
    # The `for` of a catalogue entry: which pumps it speaks of.
    #
    #   { "plunger_mm" => [18, 20], "from" => "valve-b" }
    #
    # reads "18 or 20 mm plungers, serials from the break valve-b on".
    module Condition
      module_function

      # @param condition [Hash, nil] nil speaks of every pump of the series
      # @param variant [Variant]
      def met?(condition, variant)
        (condition || {}).all? do |key, wanted|
          case key
          when "before" then variant.before?(wanted)
          when "from" then variant.from?(wanted)
          else Array(wanted).include?(variant.trait(key))
          end
        end
      end

      # @param series [Series] whose breaks it names
      # @return [String] "serials before 31000, plunger 18 or 20"
      def in_words(condition, series)
        breaks = series.serial_breaks.to_h { |serial_break| [serial_break.id, serial_break.from] }
        condition.map do |key, wanted|
          case key
          when "before" then "serials before #{breaks.fetch(wanted)}"
          when "from" then "serials from #{breaks.fetch(wanted)}"
          else "#{Plain.name(key.delete_suffix('_mm'))} #{Array(wanted).join(' or ')}"
          end
        end.join(", ")
      end
    end
  end
end
