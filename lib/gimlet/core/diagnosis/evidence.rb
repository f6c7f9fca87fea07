# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Diagnosis
    # What is known of a pump's signs. `told` are ids that were told of, `checked` { id => whether it was there when it was looked at, or was
    # denied }, `measured` { id => [how likely what was measured is where the sign is there, and where it is not] }.
    Evidence = Value.of(:told, :checked, :measured) do
      # A sign that is told of more closely says no more by itself, nor is one sought more closely that is not there.
      # @return [Boolean] whether another sign speaks for this one
      def spoken_for?(sign, model)
        (sign.of && (checked[sign.of] == false || !known?(sign))) || model.closer(sign.id).any? { |one| there?(one.id) }
      end

      def known?(sign) = told.include?(sign.id) || checked.key?(sign.id) || measured.key?(sign.id)
      def there?(id) = checked.fetch(id) { told.include?(id) }

      # @return [Array<String>] ids of signs that are there
      def there
        found = measured.transform_values { |there, gone| there > gone }.merge(told.to_h { |id| [id, true] }).merge(checked)
        found.select { |_, is| is }.keys
      end

      def empty? = told.empty? && checked.empty? && measured.empty?
    end
  end
end
