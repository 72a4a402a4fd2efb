proof-three-wires = Drei Drähte { $wire }; messen, ehe das Teil aus dem Futter kommt.
proof-no-wires = Gewindemessschraube oder das Gegenstück.
proof-inside = Drähte reichen nicht hinein: mit Lehrdorn, Gegenstück oder Innen-Gewindemessschraube nachweisen.
proof-straight-screw = Gerade Flanken tragen keine Drähte: den Kern messen, { $root } beim angestrebten Maß, und das Gegenstück probieren.
proof-straight-nut = Gerade Flanken tragen keine Drähte: den Gang messen, { $groove } im Durchmesser beim angestrebten Maß, und das Gegenstück probieren.
verdict-bare-crest = { $size } ist der bloße Außendurchmesser: die Messflächen liegen auf ihm und nicht auf den Drähten. Wie oft auch gemessen, das beweist nichts: dickere Drähte nehmen, oder mit Gewindemessschraube oder Gegenstück nachweisen.
verdict-disagrees = Auf diese Messung hin nicht tiefer schneiden: sie passt nicht zum Stand der Skale.
verdict-on-the-limit = Nach { $readings } Messungen steht es auf der Grenze selbst, auf { $doubt }: keine Messung mit diesem Gerät klärt es. Das Gegenstück, eine Lehre oder wer es gezeichnet hat, entscheidet.
verdict-past = { $by } über die Grenze: kein Schnitt macht das gut.
verdict-uneven = Nicht tiefer schneiden: die dicken Stellen brauchen noch { $thick }, die dünnen haben nur noch { $thin }.
verdict-uneven-mend = Erst das beheben: Leerschnitte auf dieser Tiefe, dann Reitstock, Spannung, Auskragung des Meißels.
verdict-proves-nothing = Die Unsicherheit von { $doubt } reicht über beide Grenzen: diese Messung kann nichts beweisen. Ein genaueres Gerät oder das Gegenstück klärt es.
verdict-at-limit = An der Grenze, innerhalb der Unsicherheit von { $doubt }: nicht mehr schneiden; abwischen und noch einmal messen.
verdict-in-limits = { $side ->
    [internal] Im Toleranzfeld, { $room } unter der oberen Grenze. Hier aufhören.
   *[external] Im Toleranzfeld, { $room } über der unteren Grenze. Hier aufhören.
}
verdict-half-a-division = { $by } über der Grenze, aber weniger als ein halber Teilstrich: einen Leerschnitt tun und noch einmal messen.
verdict-take = { $cuts ->
    [1] Noch { $more } vom Durchmesser nehmen: auf { $setting } stellen.
   *[other] Noch { $more } vom Durchmesser nehmen, in { $cuts } Schnitten, den ersten auf { $setting }.
}
verdict-or-take = { $cuts ->
    [1] Oder noch { $more } vom Durchmesser nehmen: auf { $setting } stellen.
   *[other] Oder noch { $more } vom Durchmesser nehmen, in { $cuts } Schnitten, den ersten auf { $setting }.
}
verdict-within-doubt = { $side ->
    [internal] Innerhalb der Unsicherheit von { $doubt } an der unteren Grenze: eine genauere Messung klärt es, oder das Gegenstück.
   *[external] Innerhalb der Unsicherheit von { $doubt } an der oberen Grenze: eine genauere Messung klärt es, oder das Gegenstück.
}
verdict-lead-takes = Steigung und Flanken nehmen { $room } vom Spielraum; das ist eingerechnet.
verdict-lead-takes-all = Steigung und Flanken nehmen { $room }, mehr als Spielraum da ist: nur das Gegenstück beweist dieses.
verdict-comes-to = { $odds ->
    [none] Es sollte auf { $size } kommen, auf { $doubt } genau; so gut wie keine Gefahr, über die Grenze zu kommen.
    [low] Es sollte auf { $size } kommen, auf { $doubt } genau; höchstens eins zu fünfzig, über die Grenze zu kommen.
   *[some] Es sollte auf { $size } kommen, auf { $doubt } genau; die Gefahr, über die Grenze zu kommen, ist zu bedenken.
}
verdict-go-goes = Die Gutseite geht, die Ausschussseite nicht: im Toleranzfeld. Hier aufhören.
verdict-not-go-goes = Die Ausschussseite geht: über die Grenze, und kein Schnitt macht das gut.
verdict-go-stops = { $cuts ->
    [0] Die Gutseite geht nicht, um weniger, als diese Skale stellen kann: ein Leerschnitt, beide abwischen und noch einmal probieren.
    [1] Die Gutseite geht nicht: auf { $setting } stellen, beide abwischen und noch einmal probieren.
   *[other] Die Gutseite geht nicht: in { $cuts } Schnitten, den ersten auf { $setting }; beide abwischen und noch einmal probieren.
}
verdict-told-again = Daraufhin noch nicht tiefer schneiden; noch einmal so gemeldet, zählt es.
verdict-free = Läuft frei, ohne zu wackeln. Hier aufhören.
verdict-loose-enough = Locker, doch nicht lockerer, als die Grenzen erlauben, { $room }. Hier aufhören.
verdict-too-loose = Lockerer, als die Grenzen erlauben, { $room }: kein Schnitt macht das gut. Das Gegenstück danach machen, oder neu beginnen.
verdict-fit = { $fit ->
    [wont_enter] { $cuts ->
        [0] Das Gegenstück geht also nicht an, und was bleibt, ist weniger, als diese Skale stellen kann: einen Leerschnitt tun und noch einmal probieren.
        [1] Das Gegenstück geht also nicht an: auf { $setting } stellen und noch einmal probieren.
       *[other] Das Gegenstück geht also nicht an: in { $cuts } Schnitten, den ersten auf { $setting }, und noch einmal probieren.
    }
    [enters] { $cuts ->
        [0] Das Gegenstück geht also an und bleibt stehen, und was bleibt, ist weniger, als diese Skale stellen kann: einen Leerschnitt tun und noch einmal probieren.
        [1] Das Gegenstück geht also an und bleibt stehen: auf { $setting } stellen und noch einmal probieren.
       *[other] Das Gegenstück geht also an und bleibt stehen: in { $cuts } Schnitten, den ersten auf { $setting }, und noch einmal probieren.
    }
    [laid_on] { $cuts ->
        [0] Aufgelegt steht es um { $off } ab, und was bleibt, ist weniger, als diese Skale stellen kann: einen Leerschnitt tun und noch einmal auflegen.
        [1] Aufgelegt steht es um { $off } ab: etwa so viel Tiefe bleibt. Auf { $setting } stellen und noch einmal auflegen.
       *[other] Aufgelegt steht es um { $off } ab: etwa so viel Tiefe bleibt. In { $cuts } Schnitten, den ersten auf { $setting }; vor dem letzten noch einmal auflegen.
    }
   *[tight] { $cuts ->
        [0] Das Gegenstück geht also ganz auf, aber streng, und was bleibt, ist weniger, als diese Skale stellen kann: einen Leerschnitt tun und noch einmal probieren.
        [1] Das Gegenstück geht also ganz auf, aber streng: auf { $setting } stellen und noch einmal probieren. Vielleicht genügt ein Leerschnitt: den zuerst.
       *[other] Das Gegenstück geht also ganz auf, aber streng: in { $cuts } Schnitten, den ersten auf { $setting }, und noch einmal probieren. Vielleicht genügt ein Leerschnitt: den zuerst.
    }
}
verdict-sits-home = Es sitzt auf: tief genug, um niederzugehen, was nichts darüber sagt, wie lose es ist. Aufschrauben oder daran wackeln und sagen, wie es ging.
verdict-touched = { $by ->
    [jaws] Es traf die Backen, ehe das Gewinde es hielt: das sagt nichts über das Maß. Das Teil weiter ausspannen oder mit Herz oder Futter herausnehmen, und noch einmal probieren.
    [shoulder] Es traf den Bund, ehe das Gewinde es hielt: das sagt nichts über das Maß. Eine breitere Rille oder ein am Mund freigedrehtes Gegenstück, und noch einmal probieren.
    [register] Es traf die Zentrierung, ehe das Gewinde es hielt: das sagt nichts über das Maß. Die Zentrierung messen, freimachen, und noch einmal probieren.
   *[end] Es traf das Ende, ehe das Gewinde es hielt: das sagt nichts über das Maß. Freimachen, tiefer oder weiter hinaus, und noch einmal probieren.
}
verdict-touched-first = Traf es etwas vor dem Gewinde, Backen, Bund, Zentrierung oder Ende, so sagt das nichts über das Maß: erst nachsehen. Wenn nichts: { $then }
verdict-try-unmeasured = { $side ->
    [external] Unter den Maßen, die auf die Mutter passen können, die nie gemessen wurde und { $doubt } so oder so sein mag: jetzt probieren. Zu groß heilt ein weiterer Schnitt, zu klein nichts.
   *[internal] Unter den Maßen, die auf die Schraube passen können, die nie gemessen wurde und { $doubt } so oder so sein mag: jetzt probieren. Zu klein heilt ein weiterer Schnitt, zu groß nichts.
}
verdict-crest-over = { $side ->
    [external] Außen wurde { $over } über der Grenze gesagt: erst die Gewindespitzen abziehen, dann das Gegenstück probieren.
   *[internal] Die Bohrung wurde { $over } unter der Grenze gesagt: erst die Gewindespitzen zurücknehmen, dann das Gegenstück probieren.
}
verdict-mate-shakes = Es wackelt: nicht mehr schneiden. Das Gegenstück danach machen, oder neu beginnen.
verdict-straight-sides = Gerade Flanken stehen so weit auseinander, wie der Meißel breit ist: kein tieferer Schnitt weitet sie. Nachsehen, dass der Grund frei ist; dann den Gang längs dem Bett weiten, ein wenig auf jeder Seite.
verdict-before-fits = Dieser Auftrag wurde begonnen, ehe Passungen gelesen wurden: messen, oder sagen, wo die Skale steht.
verdict-stocking = Der Vorstechmeißel hat die Flanken noch nicht geschnitten: keine Messung an ihnen zählt. Mit dem Formmeißel weiter, dann messen.
verdict-trouble-tight = Nicht tiefer schneiden: nach dem Stand der Skale ginge jedes Gegenstück, das die Norm erlaubt. Ein Grat, der Winkel, die Steigung oder das Gegenstück hält es auf: siehe Störung.
verdict-trouble-loose = Nach dem Stand der Skale ginge noch kein Gegenstück an, das die Norm erlaubt: das Gegenstück oder die Skale stimmt nicht. Vor dem nächsten Schnitt messen.
ask-wires-stand = Stehen alle drei Drähte über den Gewindespitzen, und rollen sie unter den Messflächen?
ask-other-wire = Mit einem Draht von { $wire } wäre es { $size }, wie erwartet: über welchen Draht wurde gemessen?
ask-no-such-tip = Danach wäre die Spitze { $flat } breit, gemeldet war { $told }: steht die Null am Außendurchmesser, und lag die Messung an?
ask-no-such-tip-between = Danach wäre die Spitze { $flat } breit, möglich ist { $range }: steht die Null am Außendurchmesser, und lag die Messung an?
ask-inches = Erwartet war { $expected }: war die Messung in Zoll?
ask-millimeters = Erwartet war { $expected }: war die Messung in Millimetern?
ask-whole-turn = Das ist eine ganze Umdrehung der Skale neben dem Erwarteten: steht die Skale um eine Umdrehung falsch?
ask-half-millimeter = Das ist ein halber Millimeter daneben: wurde eine Umdrehung der Messschraube falsch gelesen?
ask-25-thou = Das sind 0,025 Zoll daneben: wurde eine Umdrehung der Messschraube falsch gelesen?
ask-looser = Es ist lockerer, als das früher Gemeldete erlaubt: ist es dasselbe Gegenstück, und steht die Skale, wo sie stehen soll?
ask-tighter = Es ist strenger, als das früher Gemeldete erlaubt: nach einem Grat am Anfang, scharfen Spitzen, einem Span im Gegenstück sehen; beide abwischen und abkühlen lassen.
ask-past-by-dial = Nach dem Stand der Skale ist das Gewinde über seine Grenze, und das Gegenstück geht nicht: nach einem Grat, scharfen Spitzen, einem beschädigten Anfang sehen; Steigung und Gangrichtung prüfen.
