# frozen_string_literal: true

require_relative "../3_teardown/teardown"
require_relative "../value"
require_relative "finding"

module Gimlet::Core
  # What becomes of every piece that comes out: exactly one of KINDS for each.
  class Fates
    # `why` is a symbol or sentence that the demand words; `finding` what was found, if anything.
    Fate = Value.of(:place, :kind, :why, :finding)

    KINDS = { replace: "renew", turn: "turn over", rework: "rework", clean: "clean and put back", inspect: "look over", keep: "put back" }.freeze
    # How a piece is drawn whose positions differ: by the fate that asks for most; nil stays where it is.
    FOREMOST = %i[replace rework clean turn inspect keep].freeze
    # What each is called where it is drawn; rework and clean are drawn alike.
    DRAWN = { replace: "renew", inspect: "look over", turn: "turn over", rework: "rework or clean", keep: "put back",
              nil => "stays in place" }.freeze
    # What a finding makes of a piece.
    BY_OUTCOME = { "replace" => :replace, "rework" => :rework, "turn_over" => :turn, "clean" => :clean, "as_it_is" => :keep }.freeze

    # @param kinds [Array<Symbol, String, nil>] of KINDS
    # @return [Symbol, nil] the one that asks for most
    def self.foremost(kinds) = FOREMOST.find { |kind| kinds.any? { |other| other&.to_sym == kind } }

    # @param teardown [Teardown]
    # @param findings [Array<Finding>]
    # @return [Array<Fate>] one for each place
    # @raise [InputError] where a finding speaks of what is not looked at
    def self.of(teardown, findings) = new(teardown, findings).call

    def initialize(teardown, findings)
      @teardown = teardown
      @extent = teardown.scope.extent
      @places = teardown.places
      @findings = judged(findings)
    end

    def call = without_what_stays(with_sets(with_what_was_agreed(@places.map { |place| fate(place) })))

    private

    def judged(findings)
      findings.flat_map do |finding|
        series = @teardown.variant.series
        layers = series.stacks.flat_map { |stack| stack.layers_of(@teardown.variant) }.select { |layer| layer.slot == finding.slot }
        if layers.empty?
          InputError.reject("findings", "unknown_slot",
                            "#{@teardown.variant.designation} has no “#{finding.slot}” to find anything on.")
        end
        at_its_position(finding)
        judged = finding.judged(layers)
        [judged, *judged.decided(layers)]
      end
    end

    def at_its_position(finding)
      return if finding.position.nil?

      known = @teardown.variant.series.stacks.select { |stack| stack.layer(finding.slot) }.flat_map(&:positions)
      return if known.include?(finding.position)

      InputError.reject("findings", "unknown_position",
                        "There is no “#{finding.slot}” at “#{finding.position}”: use #{known.uniq.join(', ')}.")
    end

    # The last word on a place counts; one that names the position goes before one that does not.
    def finding(place)
      mine = @findings.select { |finding| finding.slot == place.layer.slot && [nil, place.position].include?(finding.position) }
      mine.select(&:position).last || mine.last
    end

    def fate(place)
      found = finding(place)
      return Fate.new(place: place, kind: BY_OUTCOME.fetch(found.outcome), why: :found, finding: found) if found && decides?(place, found)

      kind, why = by_rule(place)
      Fate.new(place: place, kind: kind, why: why, finding: found)
    end

    # What does not survive is renewed however good it looks, and so is what is always renewed, unless only what leaks is mended.
    def decides?(place, found)
      return true if found.outcome == "replace"

      case place.layer.reuse
      when "replace_if_removed" then false
      when "replace_always" then place.cause.first != :area || judged_here?(place)
      else true
      end
    end

    def judged_here?(place) = @extent == "leak_only" && place.layer.criteria.any?

    def by_rule(place)
      case place.layer.reuse
      when "replace_if_removed" then %i[replace removed]
      when "replace_always" then always(place)
      when "turn_over_once" then @extent == "complete" ? %i[replace complete] : %i[turn once]
      when "inspect" then @extent == "complete" && place.cause.first == :area ? %i[replace complete] : %i[inspect look]
      else %i[keep no_kit]
      end
    end

    def always(place)
      return %i[keep untouched] unless place.cause.first == :area

      judged_here?(place) ? %i[inspect look] : %i[replace area]
    end

    # Of agreed work at least what it is named for is renewed: where the rules only look its pieces over, it was agreed to renew them. Not where only
    # what leaks is mended, nor where somebody has looked: then what was found decides.
    def with_what_was_agreed(fates)
      return fates if @extent == "leak_only"

      mine = fates.group_by { |fate| fate.place.cause }.slice(*@teardown.scope.areas.map { |id| [:area, id] })
      due = mine.values.reject { |some| some.any? { |fate| fate.finding || fate.place.layer.reuse == "replace_always" } }.flatten
      fates.map { |fate| due.include?(fate) && fate.why == :look && numbered?(fate) ? fate.with(kind: :replace, why: :agreed) : fate }
    end

    def numbered?(fate) = @teardown.variant.series.parts_for(fate.place.layer.slot, @teardown.variant).one?

    # What goes as a set with a renewed piece is renewed too.
    def with_sets(fates)
      loop do
        due = fates.select { |fate| fate.kind == :replace }.flat_map { |fate| partners(fate) }
        late, rest = fates.partition { |fate| fate.kind != :replace && due.include?(key_of_set(fate)) }
        return fates if late.empty?

        renewed = late.to_h { |fate| [fate.place.key, fate.with(kind: :replace, why: :set)] }
        fates = (late + rest).map { |fate| renewed.fetch(fate.place.key, fate) }
      end
    end

    # What sits behind a piece stays in its bore where that piece is not renewed.
    def without_what_stays(fates)
      renewed = fates.select { |fate| fate.kind == :replace }.map { |fate| key_of_set(fate) }
      fates.reject do |fate|
        host = fate.place.layer.behind
        host && fate.finding.nil? && !renewed.include?([*key_of_set(fate).first(2), host])
      end
    end

    def partners(fate)
      fate.place.layer.renew_with.map { |slot| [fate.place.stack.id, fate.place.position, slot] }
    end

    def key_of_set(fate) = [fate.place.stack.id, fate.place.position, fate.place.layer.slot]
  end
end
