# frozen_string_literal: true

module Gimlet
  module Present
    # What can be typed here and now: ways to answer the open question, then what is heard at any time, with examples of this catalogue.
    #
    #   InputHints.call(found).first # => {about: "head bolts", asked: true, examples: ["6", "8"]}
    module InputHints
      EXAMPLES = 4
      # Traits shown besides the open question.
      ALWAYS = %w[plate serial part_number cylinders head_bolts head_bolt_drive valve_caps plunger_mm manifold_material inlet_port flow_l_min
                  pressure_bar].freeze

      module_function

      # @param found [Counter::IdentifyPump::Result]
      # @return [Array<Hash>] about, examples; the open question first
      def call(found)
        asked = found.identification.questions.first&.trait
        traits = [asked, *ALWAYS.filter_map { |id| found.reference.vocabulary.traits[id] }].compact.uniq
        traits.map do |trait|
          field = found.reference.field
          { about: trait.name, asked: trait == asked,
            examples: field.recall(:results, [:examples, trait.id, trait == asked]) { examples(trait, field, trait == asked) } }
        end + others(found)
      end

      # Typed as they stand they are heard as this trait.
      def examples(trait, field, asked)
        values = field.column(trait.slot || trait.id).values.lazy.select { |value| trait.kind.answer?(value) }.first(EXAMPLES)
        noun = trait.called.first
        said = values.map { |value| say(trait, value, noun, asked) }.uniq
        said << "not sure about the #{noun || trait.name}" unless asked
        asked ? [*said, "not sure"] : said
      end

      def say(trait, value, noun, asked)
        value = value.first if trait.slot
        value = value[trait.axis] if value.is_a?(Array) && trait.slot
        trait.kind.example(trait, value, (noun unless asked))
      end

      def others(found)
        vocabulary = found.reference.vocabulary
        [{ about: "work", examples: vocabulary.work.first(EXAMPLES + 2).map { |row| row.called.first }, asked: false },
         { about: "complaints", examples: vocabulary.complaints.values.map(&:name).first(EXAMPLES + 2), asked: false },
         { about: "doubt", examples: ["I think 8 bolts", "18 or 20 mm plunger", "not brass"], asked: false },
         { about: "wishes", examples: ["torque in foot pounds", "2 pumps"], asked: false }]
      end
    end
  end
end
