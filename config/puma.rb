# frozen_string_literal: true

# Each request waits its turn, however fast its connection asks again; and few are worked on at once, since they share one core.
max_fast_inline 1
threads 1, 4
environment "production"
