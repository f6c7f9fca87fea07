# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  # Saying several positions shortly: "cylinder 1, 2, 3" for ["cylinder 1", "cylinder 2", "cylinder 3"].
  module Positions
    # @param names [Array<String>]
    # @return [String]
    def self.short(names)
      names.slice_when { |one, two| stem(one) != stem(two) }
           .map { |same| [same.first, *same.drop(1).map { |name| name.delete_prefix(stem(name)) }].join(", ") }.join(", ")
    end

    def self.stem(name) = name[/\A.* /].to_s
    private_class_method :stem
  end
end
