# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Ear
    # Words that do something to what stands beside them, whatever it is: a value, a name, a count, a piece of work, a complaint. The words
    # themselves stand in data/vocabulary/words.yml under the same name; what each does is in the rules that ask for it.
    module Operators
      # `example` is a line with it, `does` what it does to what follows or stands before.
      Operator = Value.of(:id, :does, :example)

      ALL = [
        ["not", "is anything but that", "not brass · not 8 head bolts, 6 · it's no TK4 · doesn't leak"],
        ["instead", "takes back what was said of it, in this line or the one before", "8 bolts, sorry, 10 · brass head, I mean aluminium"],
        ["except", "leaves that work out", "everything bar the plungers · leave the valves"],
        ["request", "asks for work", "wants packings · do the valves"],
        ["bounds", "may be anything on that side, or between", "more than 8 bolts · under 10 kg · between 18 and 20 mm plungers"],
        ["hedge", "is not certain", "about 20 mm plungers · looks like brass"],
        ["past", "is done or sound: no order", "valves were done last year · plungers are fine"],
        ["seen", "is what a gauge or bucket shows now, no rating", "gauge reads 150 instead of 200 · only getting 100 bar"],
        ["mine", "is a tool of the customer's", "he's got a 13 mm socket"],
        ["things", "is of something else than the pump", "20 mm hose · nozzle 045 · flange has 4 bolts"],
        ["aside", "is beside the point", "van reg LT14 HXB · extension 24"],
        ["unsure", "is not known", "can't read the plate · no idea what make"]
      ].map { |id, does, example| Operator.new(id: id, does: does, example: example) }.freeze
    end
  end
end
