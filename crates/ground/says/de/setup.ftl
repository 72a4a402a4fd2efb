cycle-set-name = { $side ->
    [internal] Auswärts zustellen
   *[external] Zustellen
}
cycle-set = { $way ->
    [in-toward] Auf das Maß zustellen: einwärts, zu dir hin.
    [out-away] Auf das Maß zustellen: auswärts, von dir weg.
    [out-toward] Auf das Maß zustellen: auswärts, zu dir hin.
   *[in] Einwärts auf das Maß zustellen.
}
cycle-clear-name = { $side ->
    [internal] Meißel einwärts
   *[external] Meißel heraus
}
cycle-clear = { $clear ->
    [out-away] Den Meißel gerade herausziehen, von dir weg.
    [in-toward] Den Meißel gerade einwärts ziehen, zu dir hin, von der Wand weg.
    [in-away] Den Meißel gerade einwärts ziehen, von dir weg und von der Wand weg.
   *[out] Den Meißel gerade herausziehen.
}
cycle-close-name = { $rule ->
    [any] Schließen
    [every] Auf einem Strich schließen
   *[mark] Auf dem Strich schließen
}
cycle-close-anywhere = Die Schlossmutter irgendwo schließen.
cycle-close-any-mark = Die Schlossmutter auf irgendeinem Strich schließen.
cycle-close-first-mark = Die Schlossmutter auf dem zuerst gewählten Strich schließen.
cycle-close-every = Die Schlossmutter auf dem zuerst gewählten Strich schließen, oder jeweils { $every } weiter.
cycle-close-same-mark = Die Schlossmutter auf demselben Strich schließen, ehe die Gewindeuhr einmal herum ist.
cycle-cut-name = Schneiden
cycle-cut = { $carriage ->
    [toward] Er schneidet zum Spindelstock hin.
   *[away] Er schneidet zum Reitstock hin.
}
cycle-open-name = Öffnen
cycle-open = { $clear ->
    [out-away] Schlossmutter öffnen und zugleich den Meißel herausziehen, von dir weg.
    [in-toward] Schlossmutter öffnen und zugleich den Meißel einwärts ziehen, zu dir hin.
    [in-away] Schlossmutter öffnen und zugleich den Meißel einwärts ziehen, von dir weg.
   *[out] Schlossmutter öffnen und zugleich den Meißel herausziehen.
}
cycle-back-name = Zurück
cycle-back = { $carriage ->
    [toward] Den Bettschlitten von Hand zurück, rechts vom Werkstück.
   *[away] Den Bettschlitten von Hand zurück, nach links in den Freistich.
}
cycle-open-stop-name = Öffnen und anhalten
cycle-open-stop = { $clear ->
    [out-away] Schlossmutter öffnen, Meißel herausziehen, von dir weg, Spindel anhalten.
    [in-toward] Schlossmutter öffnen, Meißel einwärts ziehen, zu dir hin, Spindel anhalten.
    [in-away] Schlossmutter öffnen, Meißel einwärts ziehen, von dir weg, Spindel anhalten.
   *[out] Schlossmutter öffnen, Meißel herausziehen, Spindel anhalten.
}
cycle-reverse-name = Rücklauf
cycle-reverse-mark = Spindel rückwärts, bis der Strich wiederkommt; den Bettschlitten von Hand zurückholen.
cycle-chalk-name = Kreide in Linie
cycle-chalk = Beide Kreidestriche in Linie: Schlossmutter schließen.
cycle-chalk-open = { $clear ->
    [out-away] Schlossmutter öffnen und den Meißel herausziehen, von dir weg.
    [in-toward] Schlossmutter öffnen und den Meißel einwärts ziehen, zu dir hin.
    [in-away] Schlossmutter öffnen und den Meißel einwärts ziehen, von dir weg.
   *[out] Schlossmutter öffnen und den Meißel herausziehen.
}
cycle-chalk-back = Den Bettschlitten zurück an seinen Anschlag.
cycle-hand-name = Von Hand drehen
cycle-hand = { $carriage ->
    [toward] Die Spindel von Hand drehen; der Meißel geht zum Spindelstock hin.
   *[away] Die Spindel von Hand drehen; der Meißel geht zum Reitstock hin.
}
cycle-hand-back-name = Zurückdrehen
cycle-hand-back = Zurückdrehen bis vor den Anfang; die Schlossmutter bleibt geschlossen.
    .engaged = Zurückdrehen bis vor den Anfang; die Leitspindel bleibt im Eingriff.
cycle-closed-cut = { $carriage ->
    [toward] Spindel ein; er schneidet zum Spindelstock hin. Die Schlossmutter bleibt geschlossen.
   *[away] Spindel ein; er schneidet zum Reitstock hin. Die Schlossmutter bleibt geschlossen.
}
    .engaged = { $carriage ->
        [toward] Spindel ein; er schneidet zum Spindelstock hin. Die Leitspindel bleibt im Eingriff.
       *[away] Spindel ein; er schneidet zum Reitstock hin. Die Leitspindel bleibt im Eingriff.
    }
cycle-reverse-clear = Spindel rückwärts, Meißel frei; anhalten, solange er noch über dem Gewinde steht. Die Schlossmutter bleibt geschlossen.
    .engaged = Spindel rückwärts, Meißel frei; anhalten, solange er noch über dem Gewinde steht.
cycle-in-by-hand-name = Von Hand hinein
cycle-in-by-hand = Das letzte Stück von Hand zurückdrehen, bis der Meißel frei vom Gewinde und von dem dahinter steht.
cycle-reverse = Spindel rückwärts bis vor den Anfang; die Schlossmutter bleibt geschlossen.
    .engaged = Spindel rückwärts bis vor den Anfang; die Leitspindel bleibt im Eingriff.
cycle-stop-name = Anhalten
cycle-stop = Vor dem Anfang anhalten, damit das Spiel beim Anlauf aufgezehrt ist.
pick-up-take-up = { $carriage ->
    [toward] Meißel frei, Schlossmutter geschlossen: die Spindel von Hand drehen, bis der Bettschlitten zum Spindelstock hin geht.
   *[away] Meißel frei, Schlossmutter geschlossen: die Spindel von Hand drehen, bis der Bettschlitten zum Reitstock hin geht.
}
    .engaged = { $carriage ->
        [toward] Meißel frei: die Spindel von Hand drehen, bis der Schlitten zum Spindelstock läuft.
       *[away] Meißel frei: die Spindel von Hand drehen, bis der Schlitten zum Reitstock läuft.
    }
pick-up-tip = Spindel still: die Spitze mit Oberschlitten und Planschlitten in den Gang setzen, bis beide Flanken berühren.
pick-up-mesh = Spindel still: ein Rad ausrücken, die Spitze mit Oberschlitten und Planschlitten in den Gang setzen, bis beide Flanken berühren; wieder einrücken.
pick-up-depth = Dort die Skale, die die Tiefe trägt, auf { $setting } ({ $reading }) stellen, die andere auf null.
pick-up-follow = Vor dem nächsten Schnitt dem Gang von Hand folgen.
pick-up-new-mark = Die Schlossmutter schließt jetzt auf einem anderen Strich: ablesen und notieren.
ending-dial-anywhere = Schlossmutter öffnen und irgendwo schließen
ending-dial = Schlossmutter öffnen und nach der Gewindeuhr schließen
ending-closed = Schlossmutter geschlossen lassen und die Spindel umkehren
    .engaged = die Spindel umkehren, die Leitspindel immer im Eingriff
ending-same-mark = Schlossmutter öffnen, anhalten, umkehren, und auf demselben Strich schließen, ehe die Gewindeuhr einmal herum ist
ending-hand = die Spindel von Hand drehen
ending-chalk = ohne Gewindeuhr: Bettschlitten zurück an einen festen Anschlag, Kreide an Spindel und Leitspindel
