# frozen_string_literal: true

module Gimlet
  module Exchange
    # Figures as price lists have them: 12.50, 12,50, 1.234,50, 1,234.50, € 8. One that can be read in two ways is not read at all.
    module PriceFigure
      SIGNS = /[€$£\s\u00a0]|EUR|GBP|USD/

      module_function

      # @param cell [String, Numeric]
      # @return [Rational, nil] exact; nil for what is no figure, or might be two
      def read(cell)
        return (cell.is_a?(Float) ? cell.round(4) : cell).to_r if cell.is_a?(Numeric)

        text = cell.to_s.gsub(SIGNS, "").tr("−", "-")
        case text
        when /\A-?\d+\z/, /\A-?\d*\.\d{1,2}\z/, /\A-?\d+\.\d{4,}\z/ then Rational(text.sub(/\A(-?)\./, '\10.'))
        when /\A-?\d*,\d{1,2}\z/, /\A-?\d+,\d{4,}\z/ then read(text.tr(",", "."))
        when /\A-?\d{1,3}(\.\d{3})+,\d{1,2}\z/ then read(text.delete(".").tr(",", "."))
        when /\A-?\d{1,3}(,\d{3})+\.\d{1,2}\z/ then read(text.delete(","))
        end
      end
    end
  end
end
