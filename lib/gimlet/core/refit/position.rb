# frozen_string_literal: true

require_relative "../value"
require_relative "crank"

module Gimlet::Core
  module Refit
    # How the crank of a triplex is set before the manifold goes on. `plungers` are [cylinder, mm out], `first` the cylinders whose plungers
    # enter the seals first; `turned_deg` is how far cylinder 1 is past its outermost position.
    Position = Value.of(:school, :text, :turned_deg, :plungers, :first)

    # The two schools; each series says which is its own.
    class Position
      # School => [degrees that cylinder 1 is past its outermost, what to do].
      SCHOOLS = {
        "outer_level" => [60, "Turn the shaft until the two outer plungers stand level and far out; the centre one is fully in."],
        "centre_out" => [240, "Turn the shaft until the centre plunger is fully out; the two outer ones stand level, further in."]
      }.freeze
      LEVEL_MM = 0.01

      # @param school [String] of SCHOOLS
      # @param model [Catalogue::Model]
      # @return [Position, nil] nil where stroke or rod are not on file
      def self.of(school, model)
        return unless model.stroke_mm && model.rod_mm

        turned, text = SCHOOLS.fetch(school)
        crank = Crank.new(stroke_mm: model.stroke_mm, rod_mm: model.rod_mm, cylinders: 3)
        plungers = (1..3).map { |cylinder| [cylinder, crank.out_mm(cylinder, turned)] }
        furthest = plungers.map(&:last).max
        new(school: school, text: text, turned_deg: turned, plungers: plungers,
            first: plungers.select { |_, out| furthest - out < LEVEL_MM }.map(&:first))
      end
    end
  end
end
