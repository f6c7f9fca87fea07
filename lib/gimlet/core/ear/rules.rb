# frozen_string_literal: true

%w[answered bucket complained corrected customer_named damaged dash_number described done elsewhere named not_known pumped rated seen_now
   serial_number shown_at sized spoken_plate standing wanted which_one wished].each do |name|
  require_relative "rules/#{name}"
end

module Gimlet::Core
  module Ear
    # The rules of the grammar, each a class that opens with the lines that it is for. Their order says nothing: what each proposes costs something,
    # and the chooser takes the cheapest explanation of the whole line.
    module Rules
      ALL = [Answered, Bucket, Complained, Corrected, CustomerNamed, Damaged, DashNumber, Described, Done, Elsewhere, Named, NotKnown, Pumped,
             Rated, SeenNow, SerialNumber, ShownAt, Sized, SpokenPlate, Standing, Wanted, WhichOne, Wished].freeze
    end
  end
end
