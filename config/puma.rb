# frozen_string_literal: true

require_relative "../lib/gimlet/api/limited_chunks"
require_relative "../lib/gimlet/api/problem"

# Each request waits its turn, however fast its connection asks again; and few are worked on at once, since they share one core.
max_fast_inline 1
threads 1, 8
# The longest file that any operation takes, and a little: what is longer is not written to the disk first.
http_content_length_limit Gimlet::API::LimitedChunks::MOST
Puma::Client.prepend(Gimlet::API::LimitedChunks)
environment "production"
# The application says which methods it serves, in words.
supported_http_methods :any
# What is no HTTP, or goes wrong before the application is asked.
lowlevel_error_handler do |error, _, status|
  next Gimlet::API::Problem.answer(413, "too_large", error.message) if error.is_a?(Gimlet::API::LimitedChunks::TooLarge)

  sentence = status == 400 ? "This is no request that can be read: send HTTP." : Gimlet::API::Problem::INTERNAL
  Gimlet::API::Problem.answer(status, status == 400 ? "not_http" : "internal", sentence)
end
