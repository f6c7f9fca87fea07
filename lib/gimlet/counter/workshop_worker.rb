# frozen_string_literal: true

require "bundler/setup"
require_relative "../exchange/jpeg"
require_relative "../exchange/paper/card"
require_relative "../exchange/paper/delivery_note"
require_relative "../exchange/paper/due_list"
require_relative "../exchange/paper/labels"
require_relative "../exchange/paper/mat"
require_relative "../exchange/paper/letterhead"
require_relative "../exchange/paper/quote"
require_relative "../exchange/paper/torque_record"
require_relative "../exchange/paper/torque_strip"
# Whatever value of the core is handed over.
Dir[File.expand_path("../core/**/*.rb", __dir__)].each { |file| require file }

# A process of its own: takes one order after the other from its standard input, as Workshop writes them, and answers what came of each.
$stdin.binmode
answers = $stdout.dup.binmode
# What a library prints is no answer.
$stdout.reopen($stderr)

loop do
  what, verb, arguments, options = Marshal.load($stdin) # rubocop:disable Security/MarshalLoad -- from our own process
  told = begin
    [:done, Object.const_get(what).public_send(verb, *arguments, **options)]
  rescue Gimlet::Core::InputError => e
    [:refused, { message: e.message, field: e.field, code: e.code }]
  rescue StandardError => e
    [:failed, RuntimeError.new("#{what}: #{e.class}: #{e.message} #{e.backtrace.first}")]
  end
  Marshal.dump(told, answers)
  answers.flush
rescue EOFError
  break
end
