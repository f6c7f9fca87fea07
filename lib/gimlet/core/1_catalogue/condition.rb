# frozen_string_literal: true

module Gimlet
  module Core
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
      end
    end
  end
end
