# frozen_string_literal: true

require_relative "../core/verdicts"
require_relative "../core/sizes/slice"
require_relative "../core/sizes/shown_calculation"

module Gimlet
  module Present
    # What was found for a ring or a lip seal: verdict, drawing, sums, in the order of the eye.
    module MeasuredSeal
      WORDS = { "exact" => "This is the size.", "fits" => "This fits.", "temporary" => "For a while only, until the right one is here.",
                "no" => "Nothing here serves." }.freeze

      # What a used ring was, or one held against a rule, is never quite known.
      UNSURE = { "exact" => "Almost surely what it was.", "fits" => "This may be it: a caliper, or the groove, makes sure.",
                 "temporary" => "Less likely, or for a while only: a caliper, or the groove, makes sure.", "no" => "Nothing here serves." }.freeze

      module_function

      # @param found [Counter::MeasureSeal::Found]
      # @return [Hash] of the OpenAPI schema MeasuredSeal
      def call(found)
        words = found.gland || found.measured.nil? || found.measured.known? ? WORDS : UNSURE
        own, standard = found.on_file.map { |one| on_file(one, found.gland) }, found.standard.map { |one| ring(one, found.gland) }
        (own + standard).each { |row| row[:words] = words.fetch(row[:verdict]) }
        { told: sizes_in_words(found), verdict: best(own, standard, words), on_file: own, standard: standard,
          gland: found.gland && gland(found.gland) }
      end

      def sizes_in_words(found)
        return "A ring #{found.measured}#{', used' if found.measured.old}." if found.measured
        return "A seal #{found.lip.map { |name, size| "#{Core::Sizes::Lip::NAMES[name]} #{Core::Sizes.mm(size)}" }.join(', ')} mm." if found.lip

        "Any ring for this groove."
      end

      def best(own, standard, words)
        verdict = Core::Verdicts.best((own + standard).map { |row| row[:verdict] }) || "no"
        { verdict: verdict, words: words.fetch(verdict), name: (own + standard).find { |row| row[:verdict] == verdict }&.fetch(:label) }
      end

      def on_file(found, gland)
        part = found.part
        sizes = { inner_mm: part.spec["id_mm"], section_mm: part.spec["section_mm"], outer_mm: part.spec["od_mm"], height_mm: part.spec["height_mm"] }
        { label: "#{part.number} #{part.name}", number: part.number, on_hand: found.stock&.on_hand || 0, promised: found.stock&.reserved || 0,
          price_cents: found.stock&.price_cents, material: part.spec["material"], used_in: found.used_in, for_a_while: found.for_a_while,
          **sizes.compact, **judged(found.candidate, gland, part.spec["section_mm"]) }
      end

      def ring(candidate, gland)
        ring = candidate.ring
        { label: ring.label, inner_mm: ring.inner_mm.round(2), section_mm: ring.section_mm.round(2), outer_mm: ring.outer_mm.round(2),
          inner_tolerance_mm: ring.inner_tolerance_mm.round(2), section_tolerance_mm: ring.section_tolerance_mm&.round(2),
          **judged(candidate, gland, ring.section_mm) }
      end

      def judged(candidate, gland, section)
        { verdict: candidate.verdict, share: candidate.share.round(2), backup: candidate.backup,
          backup_why: candidate.backup_why, drawing: gland && section && drawing(section, candidate.seated_mm, gland),
          sums: candidate.sums.map { |sum| { name: sum.name, sum: sum.sum, limit: sum.limit, verdict: sum.verdict } } }
      end

      def drawing(section, seated, gland)
        Core::Sizes::Slice.of(gland, section, seated).to_h.transform_values { |one| one.is_a?(Float) ? one.round(3) : one }
      end

      def gland(gland)
        { depth_mm: gland.depth_mm.round(2),
          words: "A #{gland.kind} groove #{Core::Sizes.mm(gland.depth_mm)} deep and #{Core::Sizes.mm(gland.width_mm)} wide, cut in the #{gland.seat}." }
      end
    end
  end
end
