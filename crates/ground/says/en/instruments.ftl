# Instruments that speak: what is told of them, what was learned by winding, what a passage came to.

told-port = A serial port by its name, as /dev/ttyUSB0 or COM3.
told-baud = From 300 to 921600 baud; 9600 is usual.
told-data-bits = 7 or 8 data bits.
told-stop-bits = 1 or 2 stop bits.
told-address = Host and port, as 192.168.1.20:4001.
told-same-cable = The readout is at that cable already.
told-axis-twice = { $axis ->
    [cross] The cross-slide is told twice.
    [compound] The { -compound } is told twice.
   *[carriage] The { -carriage } is told twice.
}
told-diameter-across = Only the cross-slide can show diameter.

wound-not-read = Two figures of the line are wanted, before and after.
wound-carriage-still = It did not move: wind the { -carriage } some way toward the headstock.
wound-counts = { $axis ->
    [cross] { $shows ->
        [diameter] Shows diameter in { $unit }, and { $falls ->
            [falls] falls
           *[rises] rises
        } away from you.
       *[travel] Shows its travel in { $unit }, and { $falls ->
            [falls] falls
           *[rises] rises
        } away from you.
    }
    [compound] Shows its travel in { $unit }, and { $falls ->
        [falls] falls
       *[rises] rises
    } wound in.
   *[carriage] Shows its travel in { $unit }, and { $falls ->
        [falls] falls
       *[rises] rises
    } toward the headstock.
}
wound-odd = { $slide ->
    [cross] One turn of the cross-slide is { $turn } of travel, and the figure moved by { $moved }: neither millimetres nor inches, neither radius nor diameter. Wind a whole turn past the play, or look at what the lathe’s page says of this dial.
   *[compound] One turn of the { -compound } is { $turn } of travel, and the figure moved by { $moved }: neither millimetres nor inches. Wind a whole turn past the play, or look at what the lathe’s page says of this dial.
}

live-link = { $link ->
    [waits] Listening for the readout…
    [unread] The readout speaks, but not as it was learned: look at its page.
    [silent] The readout says nothing: go by the dial, and tell passes by hand.
   *[lost] The readout’s cable or power is off: go by the dial, and tell passes by hand.
}
live-doubted = The readout was away: touch the crest and zero again, or say that it still counts from there. Until then no pass is marked.
live-compound-unseen = It does not see the { -compound }, which carries the depth: go by its dial. A pass seen counts at its row’s depth.
live-there = There.
live-to-go = { $by } to go
live-past = Past it by { $by }
live-wind-back = Wind back past the play and come up to it again; what is cut so is recorded as it was cut.
live-to-mark = { $by } before the mark, shown { $late } late: eyes on the mark.
live-past-mark = { $by } past the mark, shown { $late } late: eyes on the mark.

came-marked = { $pass }: seen at { $at } and marked.
came-deeper = { $pass }: went to { $at }, { $by } deeper than asked, and is recorded as it was cut.
came-shallower = { $pass }: went to { $at }, { $by } less than asked, and is recorded as it was cut.
came-unseen = { $pass }: seen, and marked at its row’s depth, which the readout does not see.
came-same = Told and seen: one pass.
came-same-deeper = Told and seen: one pass. It went to { $at }, { $by } deeper than told: recorded as it was cut.
came-again = The tool went over once more at { $at }: was it a spring pass?
came-dry = The tool went over at { $at }, above what is cut: nothing is marked.
came-out-of-step = The tool went over the thread while another thing was to be done first: nothing is marked.
came-too-fast = A pass went by too fast for this readout: tell it by hand.
came-untrusted = A pass was not heard whole: if it cut, tell it by hand.
came-not-kept = A pass was seen and could not be recorded: tell it by hand.
