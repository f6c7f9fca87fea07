# frozen_string_literal: true

module Gimlet
  module Present
    module Lookup
      # What the doctor says, beside the entry that it says it of.
      module FoundRemark
        module_function

        # @param remark [Core::Doctor::Remark]
        # @param series [String] id, which the place begins with
        # @return [Hash] of the OpenAPI schema Remark
        def call(remark, series)
          place = remark.place.delete_prefix("#{series} ")
          { level: remark.level, place: place, list: place[/\A\w+/].to_s, text: remark.text }
        end
      end
    end
  end
end
