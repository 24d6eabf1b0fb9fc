<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de" sourcelanguage="en">
<context>
    <name>Anvil</name>
    <message>
        <source>S</source>
        <translation>S</translation>
    </message>
    <message>
        <source>strike</source>
        <translation>Schlag</translation>
    </message>
    <message>
        <source>cut</source>
        <translation>Schnitt</translation>
    </message>
    <message>
        <source>frames, px moved</source>
        <translation>Bilder, px bewegt</translation>
    </message>
    <message>
        <source>the strength is a curve: press U to shape it</source>
        <translation>die Stärke ist eine Kurve: U drücken, um sie zu formen</translation>
    </message>
</context>
<context>
    <name>Axis</name>
    <message>
        <source> px</source>
        <translation> px</translation>
    </message>
    <message>
        <source> %</source>
        <translation> %</translation>
    </message>
    <message>
        <source>/f</source>
        <translation>/B</translation>
    </message>
</context>
<context>
    <name>Demo</name>
    <message>
        <source>%1 cannot be made. Choose where your data goes, or make room.</source>
        <translation>%1 kann nicht angelegt werden. Wählen Sie, wo Ihre Daten liegen, oder schaffen Sie Platz.</translation>
    </message>
    <message>
        <source>The demo could not be made. %1</source>
        <translation>Die Demo konnte nicht erzeugt werden. %1</translation>
    </message>
</context>
<context>
    <name>Engine</name>
    <message>
        <source>two thirds</source>
        <translation>zwei Drittel</translation>
    </message>
    <message>
        <source>The picture shakes {} of the time.</source>
        <translation>Das Bild wackelt {} der Zeit.</translation>
    </message>
    <message>
        <source>The longest stretch without rest lasts {} s, frames {} to {}.</source>
        <translation>Die längste Strecke ohne Ruhe dauert {} s, Bilder {} bis {}.</translation>
    </message>
    <message>
        <source>It is always at rest.</source>
        <translation>Es ist immer in Ruhe.</translation>
    </message>
    <message>
        <source>A corner goes at most {} of the picture&apos;s width from its rest on frame {}.</source>
        <translation>Eine Ecke geht höchstens {} der Bildbreite aus ihrer Ruhelage, in Bild {}.</translation>
    </message>
    <message>
        <source>The fastest it goes is {} of the width in a second, into frame {}.</source>
        <translation>Am schnellsten geht es {} der Breite in einer Sekunde, zu Bild {} hin.</translation>
    </message>
    <message>
        <source>It rolls at most {}° a second, into frame {}.</source>
        <translation>Es rollt höchstens {}° in der Sekunde, zu Bild {} hin.</translation>
    </message>
    <message>
        <source>It does not roll.</source>
        <translation>Es rollt nicht.</translation>
    </message>
    <message>
        <source>Sway at the pace that makes people sick is {} of the width on average.</source>
        <translation>Das Schwanken in dem Takt, der übel macht, ist im Mittel {} der Breite.</translation>
    </message>
    <message>
        <source>Roll at that pace is {}° on average.</source>
        <translation>Das Rollen in diesem Takt ist im Mittel {}°.</translation>
    </message>
    <message>
        <source>Nothing strikes.</source>
        <translation>Nichts schlägt ein.</translation>
    </message>
    <message>
        <source>{} strike in {} s, at most {} of them within a minute.</source>
        <translation>{} Schlag in {} s, höchstens {} davon in einer Minute.</translation>
    </message>
    <message>
        <source>{} strikes in {} s, at most {} of them within a minute.</source>
        <translation>{} Schläge in {} s, höchstens {} davon in einer Minute.</translation>
    </message>
    <message>
        <source>Frames before the move in which the picture swings the other way</source>
        <translation>Bilder vor der Bewegung, in denen das Bild erst in die andere Richtung schwingt</translation>
    </message>
    <message>
        <source>Lead level</source>
        <translation>Vorlaufpegel</translation>
    </message>
    <message>
        <source>How far the lead goes, against the peak</source>
        <translation>Wie weit der Vorlauf geht, gemessen am Gipfel</translation>
    </message>
    <message>
        <source>Lead shape</source>
        <translation>Vorlaufform</translation>
    </message>
    <message>
        <source>Lead curve</source>
        <translation>Vorlaufbiegung</translation>
    </message>
    <message>
        <source>What falls on the strike&apos;s frame: contact (at rest, about to move), the first moved frame, or the peak</source>
        <translation>Was auf das Bild des Schlags fällt: der Kontakt (noch in Ruhe), das erste bewegte Bild oder der Gipfel</translation>
    </message>
    <message>
        <source>Attack slope</source>
        <translation>Anstiegsflanke</translation>
    </message>
    <message>
        <source>Family of the rise</source>
        <translation>Art des Anstiegs</translation>
    </message>
    <message>
        <source>Attack curve</source>
        <translation>Anstiegsbiegung</translation>
    </message>
    <message>
        <source>Frames the peak stays</source>
        <translation>Bilder, die der Gipfel bleibt</translation>
    </message>
    <message>
        <source>Frames from the hold down to the rumble</source>
        <translation>Bilder vom Halten bis hinab zum Grollen</translation>
    </message>
    <message>
        <source>Decay slope</source>
        <translation>Abklingflanke</translation>
    </message>
    <message>
        <source>Decay curve</source>
        <translation>Abklingbiegung</translation>
    </message>
    <message>
        <source>Bend of the fall: 0 is straight, 4 falls fast and settles</source>
        <translation>Biegung des Abfalls: 0 ist gerade, 4 fällt schnell und beruhigt sich</translation>
    </message>
    <message>
        <source>Rumble until</source>
        <translation>Grollen bis</translation>
    </message>
    <message>
        <source>How long the rumble lasts: its length, until the next strike, or to the end of the shot</source>
        <translation>Wie lange das Grollen dauert: seine Länge, bis zum nächsten Schlag oder bis zum Ende der Einstellung</translation>
    </message>
    <message>
        <source>Rumble length</source>
        <translation>Grollen, Länge</translation>
    </message>
    <message>
        <source>Frames the rumble lasts</source>
        <translation>Bilder, die das Grollen dauert</translation>
    </message>
    <message>
        <source>Release slope</source>
        <translation>Ausklangflanke</translation>
    </message>
    <message>
        <source>Release curve</source>
        <translation>Ausklangbiegung</translation>
    </message>
    <message>
        <source>{} does not exist.</source>
        <translation>{} gibt es nicht.</translation>
    </message>
    <message>
        <source>{} does not exist: {}.</source>
        <translation>{} gibt es nicht: {}.</translation>
    </message>
    <message>
        <source>{} cannot be read.</source>
        <translation>{} kann nicht gelesen werden.</translation>
    </message>
    <message>
        <source>{} cannot be read: {}.</source>
        <translation>{} kann nicht gelesen werden: {}.</translation>
    </message>
    <message>
        <source>{} cannot be written.</source>
        <translation>{} kann nicht geschrieben werden.</translation>
    </message>
    <message>
        <source>{} cannot be written: {}.</source>
        <translation>{} kann nicht geschrieben werden: {}.</translation>
    </message>
    <message>
        <source>{} exists already.</source>
        <translation>{} gibt es schon.</translation>
    </message>
    <message>
        <source>{} exists already: {}.</source>
        <translation>{} gibt es schon: {}.</translation>
    </message>
    <message>
        <source>{} holds no picture or sound that can be read.</source>
        <translation>{} enthält weder Bild noch Ton, die lesbar sind.</translation>
    </message>
    <message>
        <source>{} holds no picture or sound that can be read: {}.</source>
        <translation>{} enthält weder Bild noch Ton, die lesbar sind: {}.</translation>
    </message>
    <message>
        <source>{} has no picture.</source>
        <translation>{} hat kein Bild.</translation>
    </message>
    <message>
        <source>{} has no picture: {}.</source>
        <translation>{} hat kein Bild: {}.</translation>
    </message>
    <message>
        <source>{} is damaged or cut short.</source>
        <translation>{} ist beschädigt oder abgeschnitten.</translation>
    </message>
    <message>
        <source>{} is damaged or cut short: {}.</source>
        <translation>{} ist beschädigt oder abgeschnitten: {}.</translation>
    </message>
    <message>
        <source>{} is of a kind that is not supported.</source>
        <translation>{} ist von einer Art, die nicht unterstützt wird.</translation>
    </message>
    <message>
        <source>{} is of a kind that is not supported: {}.</source>
        <translation>{} ist von einer Art, die nicht unterstützt wird: {}.</translation>
    </message>
    <message>
        <source>{} has a value that cannot be used.</source>
        <translation>{} hat einen Wert, der nicht verwendbar ist.</translation>
    </message>
    <message>
        <source>{} has a value that cannot be used: {}.</source>
        <translation>{} hat einen Wert, der nicht verwendbar ist: {}.</translation>
    </message>
    <message>
        <source>{} does not follow its format.</source>
        <translation>{} folgt seinem Format nicht.</translation>
    </message>
    <message>
        <source>{} does not follow its format: {}.</source>
        <translation>{} folgt seinem Format nicht: {}.</translation>
    </message>
    <message>
        <source>{} was cancelled.</source>
        <translation>{} wurde abgebrochen.</translation>
    </message>
    <message>
        <source>{} was cancelled: {}.</source>
        <translation>{} wurde abgebrochen: {}.</translation>
    </message>
    <message>
        <source>{} failed.</source>
        <translation>{} ist fehlgeschlagen.</translation>
    </message>
    <message>
        <source>{} failed: {}.</source>
        <translation>{} ist fehlgeschlagen: {}.</translation>
    </message>
    <message>
        <source>&quot;{}&quot;</source>
        <translation>„{}“</translation>
    </message>
    <message>
        <source>What fills the border</source>
        <translation>Was den Rand füllt</translation>
    </message>
    <message>
        <source>Enlarge to hide the border</source>
        <translation>Vergrößern, um den Rand zu verdecken</translation>
    </message>
    <message>
        <source>Use the bars</source>
        <translation>Balken nutzen</translation>
    </message>
    <message>
        <source>What the letterbox hides need not be covered</source>
        <translation>Was die Balken verdecken, muss nicht gedeckt werden</translation>
    </message>
    <message>
        <source>Cover speed</source>
        <translation>Deckungstempo</translation>
    </message>
    <message>
        <source>How fast breathing may enlarge the picture, in a second</source>
        <translation>Wie schnell das Atmen das Bild vergrößern darf, je Sekunde</translation>
    </message>
    <message>
        <source>Shutter angle</source>
        <translation>Verschlusswinkel</translation>
    </message>
    <message>
        <source>When the shutter is open, in percent of a frame: 0 is centred on the frame&apos;s own instant, half of what the angle opens is from the frame on, as much below 0 up to the frame</source>
        <translation>Wann der Verschluss offen ist, in Prozent eines Bildes: 0 ist um den Zeitpunkt des Bildes herum, die Hälfte dessen, was der Winkel öffnet, ist vom Bild an, ebenso weit unter 0 bis zum Bild</translation>
    </message>
    <message>
        <source>Instants per frame</source>
        <translation>Momente je Bild</translation>
    </message>
    <message>
        <source>Blur above</source>
        <translation>Unschärfe ab</translation>
    </message>
    <message>
        <source>Rolling shutter</source>
        <translation>Rolling Shutter</translation>
    </message>
    <message>
        <source>Motion blur</source>
        <translation>Bewegungsunschärfe</translation>
    </message>
    <message>
        <source>Motion blur for the whole film</source>
        <translation>Bewegungsunschärfe für den ganzen Film</translation>
    </message>
    <message>
        <source>Streaks for the whole film</source>
        <translation>Schlieren für den ganzen Film</translation>
    </message>
    <message>
        <source>Radial streak</source>
        <translation>Radiale Schliere</translation>
    </message>
    <message>
        <source>Radial streaks for the whole film</source>
        <translation>Radiale Schlieren für den ganzen Film</translation>
    </message>
    <message>
        <source>Fringe for the whole film</source>
        <translation>Farbsaum für den ganzen Film</translation>
    </message>
    <message>
        <source>Flashes for the whole film</source>
        <translation>Blitze für den ganzen Film</translation>
    </message>
    <message>
        <source>Layers for the whole film</source>
        <translation>Ebenen für den ganzen Film</translation>
    </message>
    <message>
        <source>Frames before the peak in which it comes</source>
        <translation>Bilder vor dem Gipfel, in denen er kommt</translation>
    </message>
    <message>
        <source>Frames after the peak that it stays</source>
        <translation>Bilder nach dem Gipfel, die er bleibt</translation>
    </message>
    <message>
        <source>Frames in which it then goes, fast first</source>
        <translation>Bilder, in denen er dann geht, erst schnell</translation>
    </message>
    <message>
        <source>How far light is drawn out at the peak</source>
        <translation>Wie weit Licht am Gipfel ausgezogen wird</translation>
    </message>
    <message>
        <source>How far light is drawn out at the frame&apos;s corner, at the peak</source>
        <translation>Wie weit Licht an der Bildecke ausgezogen wird, am Gipfel</translation>
    </message>
    <message>
        <source>Centre x</source>
        <translation>Mitte x</translation>
    </message>
    <message>
        <source>Centre, of the frame&apos;s width</source>
        <translation>Mitte, in Bildbreiten</translation>
    </message>
    <message>
        <source>Centre y</source>
        <translation>Mitte y</translation>
    </message>
    <message>
        <source>Centre, of the frame&apos;s height</source>
        <translation>Mitte, in Bildhöhen</translation>
    </message>
    <message>
        <source>Along the way the picture moves, or by the angle</source>
        <translation>Entlang der Bewegung des Bildes oder nach dem Winkel</translation>
    </message>
    <message>
        <source>Along the way the picture moves, by the angle, or outwards</source>
        <translation>Entlang der Bewegung des Bildes, nach dem Winkel oder nach außen</translation>
    </message>
    <message>
        <source>0 is right, 90 down</source>
        <translation>0 ist rechts, 90 unten</translation>
    </message>
    <message>
        <source>How far red and blue are torn apart from green at the peak</source>
        <translation>Wie weit Rot und Blau am Gipfel von Grün gerissen werden</translation>
    </message>
    <message>
        <source>Light at the peak, against white</source>
        <translation>Licht am Gipfel, gemessen an Weiß</translation>
    </message>
    <message>
        <source>Colour of the flash</source>
        <translation>Farbe des Blitzes</translation>
    </message>
    <message>
        <source>Frames from the strike&apos;s own on, or frames on which a beat falls</source>
        <translation>Bilder vom Schlag an, oder Bilder, auf die ein Beat fällt</translation>
    </message>
    <message>
        <source>Streak flickers</source>
        <translation>Schliere flackert</translation>
    </message>
    <message>
        <source>The streak flickers</source>
        <translation>Die Schliere flackert</translation>
    </message>
    <message>
        <source>Radial flickers</source>
        <translation>Radiale flackert</translation>
    </message>
    <message>
        <source>The radial streak flickers</source>
        <translation>Die radiale Schliere flackert</translation>
    </message>
    <message>
        <source>Fringe flickers</source>
        <translation>Farbsaum flackert</translation>
    </message>
    <message>
        <source>The fringe flickers</source>
        <translation>Der Farbsaum flackert</translation>
    </message>
    <message>
        <source>Flash flickers</source>
        <translation>Blitz flackert</translation>
    </message>
    <message>
        <source>The flash flickers</source>
        <translation>Der Blitz flackert</translation>
    </message>
    <message>
        <source>From the middle of the frame to the right</source>
        <translation>Von der Bildmitte nach rechts</translation>
    </message>
    <message>
        <source>From the middle of the frame downwards</source>
        <translation>Von der Bildmitte nach unten</translation>
    </message>
    <message>
        <source>Size against the picture&apos;s own pixels</source>
        <translation>Größe gemessen an den Bildpunkten selbst</translation>
    </message>
    <message>
        <source>How much of it is seen</source>
        <translation>Wie viel davon zu sehen ist</translation>
    </message>
    <message>
        <source>1 moves with the shot, 0 stands still, 2 moves twice as much</source>
        <translation>1 geht mit der Einstellung, 0 steht still, 2 bewegt sich doppelt so weit</translation>
    </message>
    <message>
        <source>Not shown</source>
        <translation>Nicht gezeigt</translation>
    </message>
    <message>
        <source>First frame it is seen on</source>
        <translation>Erstes Bild, in dem sie zu sehen ist</translation>
    </message>
    <message>
        <source>Frames it is seen for</source>
        <translation>Bilder, die sie zu sehen ist</translation>
    </message>
    <message>
        <source>How strong shakes and drift of the gentle version are</source>
        <translation>Wie stark Erschütterungen und Drift der sanften Fassung sind</translation>
    </message>
    <message>
        <source>Whether it keeps roll, pan and tilt</source>
        <translation>Ob sie Roll, Schwenk und Neigung behält</translation>
    </message>
    <message>
        <source>Largest shift</source>
        <translation>Größter Weg</translation>
    </message>
    <message>
        <source>Speed at most</source>
        <translation>Höchstes Tempo</translation>
    </message>
    <message>
        <source>{}</source>
        <translation>{}</translation>
    </message>
    <message>
        <source>Metres: x to the right, y up, z ahead</source>
        <translation>Meter: x nach rechts, y nach oben, z nach vorn</translation>
    </message>
    <message>
        <source>Where the camera looks: 0 ahead, 90 to the right, seen from above</source>
        <translation>Wohin die Kamera blickt: 0 nach vorn, 90 nach rechts, von oben gesehen</translation>
    </message>
    <message>
        <source>A point of the picture, of its size</source>
        <translation>Ein Punkt des Bildes, in Teilen seiner Größe</translation>
    </message>
    <message>
        <source>Metres from the camera</source>
        <translation>Meter von der Kamera</translation>
    </message>
    <message>
        <source>Weaker with distance</source>
        <translation>Schwächer mit Abstand</translation>
    </message>
    <message>
        <source>Strikes with a place are weaker the further they are</source>
        <translation>Schläge mit einem Ort sind schwächer, je ferner sie sind</translation>
    </message>
    <message>
        <source>Falloff power</source>
        <translation>Abfallpotenz</translation>
    </message>
    <message>
        <source>Strength falls as the reference over the distance, to this power</source>
        <translation>Die Stärke fällt wie der Bezug durch den Abstand, mit dieser Potenz</translation>
    </message>
    <message>
        <source>Full strength within</source>
        <translation>Volle Stärke bis</translation>
    </message>
    <message>
        <source>Silent beyond</source>
        <translation>Still ab</translation>
    </message>
    <message>
        <source>Delayed by distance</source>
        <translation>Verzögert mit Abstand</translation>
    </message>
    <message>
        <source>Strikes with a place arrive later the further they are</source>
        <translation>Schläge mit einem Ort kommen später an, je ferner sie sind</translation>
    </message>
    <message>
        <source>How fast it travels, where that is own</source>
        <translation>Wie schnell es sich ausbreitet, wo das eigens gesetzt ist</translation>
    </message>
    <message>
        <source>Directed from place</source>
        <translation>Richtung vom Ort her</translation>
    </message>
    <message>
        <source>The blow of a strike with a place comes from there</source>
        <translation>Der Stoß eines Schlags mit Ort kommt von dort</translation>
    </message>
    <message>
        <source>Where the blow goes: 0 right, 90 down, 180 left</source>
        <translation>Wohin der Stoß geht: 0 rechts, 90 unten, 180 links</translation>
    </message>
    <message>
        <source>Ease over</source>
        <translation>Auslauf über</translation>
    </message>
    <message>
        <source>Beats a minute</source>
        <translation>Beats in der Minute</translation>
    </message>
    <message>
        <source>First beat</source>
        <translation>Erster Beat</translation>
    </message>
    <message>
        <source>Beats in a bar</source>
        <translation>Beats in einem Takt</translation>
    </message>
    <message>
        <source>Bars begin on</source>
        <translation>Takte beginnen auf</translation>
    </message>
    <message>
        <source>Which beat of the first bar begins it</source>
        <translation>Welcher Beat des ersten Takts ihn beginnt</translation>
    </message>
    <message>
        <source>Sound offset</source>
        <translation>Tonversatz</translation>
    </message>
    <message>
        <source>How far the picture is moved to the right</source>
        <translation>Wie weit das Bild nach rechts rückt</translation>
    </message>
    <message>
        <source>How far the picture is moved down</source>
        <translation>Wie weit das Bild nach unten rückt</translation>
    </message>
    <message>
        <source>How much the picture is enlarged</source>
        <translation>Wie sehr das Bild vergrößert ist</translation>
    </message>
    <message>
        <source>How far the picture is turned, clockwise</source>
        <translation>Wie weit das Bild gedreht ist, im Uhrzeigersinn</translation>
    </message>
    <message>
        <source>How fast the clip runs in this shot</source>
        <translation>Wie schnell der Clip in dieser Einstellung läuft</translation>
    </message>
    <message>
        <source>What moves the picture</source>
        <translation>Was das Bild bewegt</translation>
    </message>
    <message>
        <source>Swings a second at the peak</source>
        <translation>Schwingungen je Sekunde am Gipfel</translation>
    </message>
    <message>
        <source>Rate at rest</source>
        <translation>Frequenz in Ruhe</translation>
    </message>
    <message>
        <source>Swings a second the motion slows down to</source>
        <translation>Schwingungen je Sekunde, auf die die Bewegung langsamer wird</translation>
    </message>
    <message>
        <source>Rate fall</source>
        <translation>Frequenzabfall</translation>
    </message>
    <message>
        <source>Frames in which the rate falls most of its way</source>
        <translation>Bilder, in denen die Frequenz den größten Teil fällt</translation>
    </message>
    <message>
        <source>Layers of noise, each finer than the one before</source>
        <translation>Lagen von Rauschen, jede feiner als die vorige</translation>
    </message>
    <message>
        <source>Strength of each octave against the one before: low is smooth, high is jagged</source>
        <translation>Stärke jeder Oktave gemessen an der vorigen: niedrig ist glatt, hoch ist zackig</translation>
    </message>
    <message>
        <source>Speed of each octave against the one before</source>
        <translation>Tempo jeder Oktave gemessen an der vorigen</translation>
    </message>
    <message>
        <source>Frames each random value stays</source>
        <translation>Bilder, die jeder Zufallswert bleibt</translation>
    </message>
    <message>
        <source>Sine glides, triangle runs evenly, square steps</source>
        <translation>Sinus gleitet, Dreieck läuft gleichmäßig, Rechteck springt</translation>
    </message>
    <message>
        <source>Frequency of this axis against the strand&apos;s rate</source>
        <translation>Frequenz dieser Achse gemessen an der des Strangs</translation>
    </message>
    <message>
        <source>How far this axis is behind, reached within the first swing after the peak</source>
        <translation>Wie weit diese Achse zurück ist, erreicht in der ersten Schwingung nach dem Gipfel</translation>
    </message>
    <message>
        <source>How far it swings back, against the way out</source>
        <translation>Wie weit sie zurückschwingt, gemessen am Hinweg</translation>
    </message>
    <message>
        <source>The curves are the whole motion: not raised at the peak, not weighed by the envelope, the same for each seed</source>
        <translation>Die Kurven sind die ganze Bewegung: am Gipfel nicht angehoben, von der Hüllkurve nicht gewichtet, für jeden Startwert gleich</translation>
    </message>
    <message>
        <source>How fast the camera moves, against how it was filmed</source>
        <translation>Wie schnell die Kamera sich bewegt, gemessen an der Aufnahme</translation>
    </message>
    <message>
        <source>Silences this strand</source>
        <translation>Stellt diesen Strang stumm</translation>
    </message>
    <message>
        <source>Only solo strands are felt</source>
        <translation>Nur Solo-Stränge sind zu spüren</translation>
    </message>
    <message>
        <source>Sets this strand&apos;s noise apart from the others&apos;</source>
        <translation>Unterscheidet das Rauschen dieses Strangs von dem der anderen</translation>
    </message>
    <message>
        <source>Own envelope</source>
        <translation>Eigene Hüllkurve</translation>
    </message>
    <message>
        <source>Shaped apart from the recipe</source>
        <translation>Eigens geformt, anders als das Rezept</translation>
    </message>
    <message>
        <source>Frames of movement</source>
        <translation>Bilder Bewegung</translation>
    </message>
    <message>
        <source>Frames of rest between movements</source>
        <translation>Bilder Ruhe zwischen Bewegungen</translation>
    </message>
    <message>
        <source>How much seeded movements and rests differ in length</source>
        <translation>Wie sehr sich zufällige Bewegungen und Ruhen in der Länge unterscheiden</translation>
    </message>
    <message>
        <source>Strength of x, y and zoom together</source>
        <translation>Stärke von x, y und Zoom zusammen</translation>
    </message>
    <message>
        <source>Strength of roll, pan and tilt together</source>
        <translation>Stärke von Roll, Schwenk und Neigung zusammen</translation>
    </message>
    <message>
        <source>The number the motion grows from</source>
        <translation>Die Zahl, aus der die Bewegung wächst</translation>
    </message>
    <message>
        <source>Where strikes meet</source>
        <translation>Wo Schläge zusammentreffen</translation>
    </message>
    <message>
        <source>Share of the ceiling from which sums bend towards it</source>
        <translation>Teil der Obergrenze, ab dem Summen sich ihr anschmiegen</translation>
    </message>
    <message>
        <source>A low motion under the whole shot</source>
        <translation>Eine schwache Bewegung unter der ganzen Einstellung</translation>
    </message>
    <message>
        <source>Swings a second</source>
        <translation>Schwingungen je Sekunde</translation>
    </message>
    <message>
        <source>Fade in</source>
        <translation>Einblenden</translation>
    </message>
    <message>
        <source>Frames in which it rises at the shot&apos;s start</source>
        <translation>Bilder, in denen sie am Anfang der Einstellung steigt</translation>
    </message>
    <message>
        <source>Fade out</source>
        <translation>Ausblenden</translation>
    </message>
    <message>
        <source>Frames in which it falls at the shot&apos;s end</source>
        <translation>Bilder, in denen sie am Ende der Einstellung fällt</translation>
    </message>
    <message>
        <source>Strength of all shakes together</source>
        <translation>Stärke aller Erschütterungen zusammen</translation>
    </message>
    <message>
        <source>All shakes off</source>
        <translation>Alle Erschütterungen aus</translation>
    </message>
    <message>
        <source>Whether strikes are heard</source>
        <translation>Ob Schläge zu hören sind</translation>
    </message>
    <message>
        <source>How loud it is against the others</source>
        <translation>Wie laut er gegen die anderen ist</translation>
    </message>
    <message>
        <source>The number its motion grows from</source>
        <translation>Die Zahl, aus der seine Bewegung wächst</translation>
    </message>
    <message>
        <source>Variation locked</source>
        <translation>Variante gesperrt</translation>
    </message>
    <message>
        <source>Its variation stays as it is</source>
        <translation>Seine Variante bleibt, wie sie ist</translation>
    </message>
    <message>
        <source>Pinned to the film</source>
        <translation>An den Film geheftet</translation>
    </message>
    <message>
        <source>Stays where it is when shots move</source>
        <translation>Bleibt, wo er ist, wenn Einstellungen rücken</translation>
    </message>
    <message>
        <source>On the cut</source>
        <translation>Auf dem Schnitt</translation>
    </message>
    <message>
        <source>Goes with the cut it stands on</source>
        <translation>Geht mit dem Schnitt, auf dem er steht</translation>
    </message>
    <message>
        <source>Weaker the further away</source>
        <translation>Schwächer, je ferner</translation>
    </message>
    <message>
        <source>Felt when it arrives</source>
        <translation>Zu spüren, wenn er ankommt</translation>
    </message>
    <message>
        <source>Comes from its place</source>
        <translation>Kommt von seinem Ort</translation>
    </message>
    <message>
        <source>Roll, pan and tilt off</source>
        <translation>Roll, Schwenk und Neigung aus</translation>
    </message>
    <message>
        <source>Largest excursion at the peak, at strength 100 %</source>
        <translation>Größter Ausschlag am Gipfel, bei Stärke 100 %</translation>
    </message>
    <message>
        <source>Whether shakes move this axis</source>
        <translation>Ob Erschütterungen diese Achse bewegen</translation>
    </message>
    <message>
        <source>one of {}</source>
        <translation>eines von {}</translation>
    </message>
    <message>
        <source>a colour such as #1a2b3c</source>
        <translation>eine Farbe wie #1a2b3c</translation>
    </message>
    <message>
        <source>a whole number from {} to {}</source>
        <translation>eine ganze Zahl von {} bis {}</translation>
    </message>
    <message>
        <source>a number from {} to {}</source>
        <translation>eine Zahl von {} bis {}</translation>
    </message>
    <message>
        <source>it is a folder</source>
        <translation>es ist ein Ordner</translation>
    </message>
    <message>
        <source>it is a pipe, a socket or a device, not a file</source>
        <translation>es ist eine Pipe, ein Socket oder ein Gerät, keine Datei</translation>
    </message>
    <message>
        <source>it is empty</source>
        <translation>es ist leer</translation>
    </message>
    <message>
        <source>it is far too large</source>
        <translation>es ist viel zu groß</translation>
    </message>
    <message>
        <source>its brackets are more than {} deep in each other</source>
        <translation>seine Klammern sind mehr als {} tief ineinander</translation>
    </message>
    <message>
        <source>it has a number that is too large{}</source>
        <translation>es hat eine Zahl, die zu groß ist{}</translation>
    </message>
    <message>
        <source>something in it is of another type than it should be</source>
        <translation>etwas darin ist von anderer Art, als es sein sollte</translation>
    </message>
    <message>
        <source>The two films</source>
        <translation>Die beiden Filme</translation>
    </message>
    <message>
        <source>they have {} and {} frames: too many to be held against each other</source>
        <translation>sie haben {} und {} Bilder: zu viele, um sie gegeneinander zu halten</translation>
    </message>
    <message>
        <source>The match</source>
        <translation>Der Vergleich</translation>
    </message>
    <message>
        <source>should be an object</source>
        <translation>sollte ein Objekt sein</translation>
    </message>
    <message>
        <source>has &quot;{}&quot;, which is not known</source>
        <translation>hat „{}“, das nicht bekannt ist</translation>
    </message>
    <message>
        <source>{} should be a number from {}</source>
        <translation>{} sollte eine Zahl ab {} sein</translation>
    </message>
    <message>
        <source>{} should be a text</source>
        <translation>{} sollte ein Text sein</translation>
    </message>
    <message>
        <source>{} should be true or false</source>
        <translation>{} sollte true oder false sein</translation>
    </message>
    <message>
        <source>shape is &quot;{}&quot;, but should be box or ball</source>
        <translation>die Form ist „{}“, sollte aber box oder ball sein</translation>
    </message>
    <message>
        <source>&quot;drop&quot;: 1 is missing, so it is no scene of the drop bench</source>
        <translation>&quot;drop&quot;: 1 fehlt, also ist es keine Szene der Fallbank</translation>
    </message>
    <message>
        <source>bodies should be a list of 1 to 60</source>
        <translation>bodies sollte eine Liste von 1 bis 60 sein</translation>
    </message>
    <message>
        <source>{}, {}</source>
        <translation>{}, {}</translation>
    </message>
    <message>
        <source>ladle lid</source>
        <translation>Pfannendeckel</translation>
    </message>
    <message>
        <source>an HLS playlist, a list of other files</source>
        <translation>eine HLS-Liste, also eine Liste anderer Dateien</translation>
    </message>
    <message>
        <source>ffconcat version</source>
        <translation>ffconcat version</translation>
    </message>
    <message>
        <source>a script that joins other files</source>
        <translation>ein Skript, das andere Dateien verbindet</translation>
    </message>
    <message>
        <source>a description of network streams (SDP)</source>
        <translation>eine Beschreibung von Netzströmen (SDP)</translation>
    </message>
    <message>
        <source>a playlist, a list of other files</source>
        <translation>eine Abspielliste, also eine Liste anderer Dateien</translation>
    </message>
    <message>
        <source>a presentation of other files (SMIL)</source>
        <translation>eine Vorführung anderer Dateien (SMIL)</translation>
    </message>
    <message>
        <source>a text document</source>
        <translation>ein Textdokument</translation>
    </message>
    <message>
        <source>a web page</source>
        <translation>eine Webseite</translation>
    </message>
    <message>
        <source>a DASH manifest, a list of other files</source>
        <translation>ein DASH-Verzeichnis, also eine Liste anderer Dateien</translation>
    </message>
    <message>
        <source>an XML document</source>
        <translation>ein XML-Dokument</translation>
    </message>
    <message>
        <source>it cannot be taken apart in half a minute</source>
        <translation>es lässt sich in einer halben Minute nicht zerlegen</translation>
    </message>
    <message>
        <source>there is not enough memory to open it</source>
        <translation>es ist nicht genug Speicher da, um es zu öffnen</translation>
    </message>
    <message>
        <source>it is {}</source>
        <translation>es ist {}</translation>
    </message>
    <message>
        <source>it ends before its contents do</source>
        <translation>es endet vor seinem Inhalt</translation>
    </message>
    <message>
        <source>it is no kind of clip or sound that is opened here</source>
        <translation>es ist keine Art von Clip oder Ton, die hier geöffnet wird</translation>
    </message>
    <message>
        <source>it is not a regular file</source>
        <translation>es ist keine gewöhnliche Datei</translation>
    </message>
    <message>
        <source>the file is empty</source>
        <translation>die Datei ist leer</translation>
    </message>
    <message>
        <source>its coding ({}) is not read here</source>
        <translation>seine Codierung ({}) wird hier nicht gelesen</translation>
    </message>
    <message>
        <source>a film cannot be {} x {} pixels</source>
        <translation>ein Film kann nicht {} x {} Pixel groß sein</translation>
    </message>
    <message>
        <source>this kind of film holds at most {} pixels a side, and it would be {} x {}</source>
        <translation>diese Art Film fasst höchstens {} Pixel je Seite, und es wären {} x {}</translation>
    </message>
    <message>
        <source>the film was to be written into this folder</source>
        <translation>der Film sollte in diesen Ordner geschrieben werden</translation>
    </message>
    <message>
        <source>an index</source>
        <translation>ein Verzeichnis</translation>
    </message>
    <message>
        <source>say that it may be replaced, or choose another name</source>
        <translation>sagen Sie, dass sie ersetzt werden darf, oder wählen Sie einen anderen Namen</translation>
    </message>
    <message>
        <source>this system&apos;s FFmpeg has no encoder for it</source>
        <translation>das FFmpeg dieses Systems hat keinen Encoder dafür</translation>
    </message>
    <message>
        <source>its numbers run over more than ten million frames</source>
        <translation>seine Nummern gehen über mehr als zehn Millionen Bilder</translation>
    </message>
    <message>
        <source>it has no sound</source>
        <translation>es hat keinen Ton</translation>
    </message>
    <message>
        <source>its sound names no sample rate or channels</source>
        <translation>sein Ton nennt weder Abtastrate noch Kanäle</translation>
    </message>
    <message>
        <source>its pixels cannot be made of these pictures</source>
        <translation>aus diesen Bildern lassen sich seine Pixel nicht machen</translation>
    </message>
    <message>
        <source>{} {}.</source>
        <translation>{} {}.</translation>
    </message>
    <message>
        <source>it is sound only</source>
        <translation>es ist nur Ton</translation>
    </message>
    <message>
        <source>no picture stream is in it</source>
        <translation>es ist kein Bildstrom darin</translation>
    </message>
    <message>
        <source>not one picture in it can be decoded</source>
        <translation>nicht ein Bild darin lässt sich decodieren</translation>
    </message>
    <message>
        <source>its picture stream has no frames</source>
        <translation>sein Bildstrom hat keine Bilder</translation>
    </message>
    <message>
        <source>is damaged after picture {}: what follows cannot be read</source>
        <translation>ist nach Bild {} beschädigt: was folgt, ist nicht lesbar</translation>
    </message>
    <message>
        <source>is cut short: it names {} seconds and ends after {} ({} frames)</source>
        <translation>ist abgeschnitten: er nennt {} Sekunden und endet nach {} ({} Bilder)</translation>
    </message>
    <message>
        <source>a picture in it is empty</source>
        <translation>ein Bild darin ist leer</translation>
    </message>
    <message>
        <source>its pixel format cannot be converted</source>
        <translation>sein Pixelformat lässt sich nicht umwandeln</translation>
    </message>
    <message>
        <source>picture {} cannot be decoded</source>
        <translation>Bild {} lässt sich nicht decodieren</translation>
    </message>
    <message>
        <source>frame number</source>
        <translation>Bildnummer</translation>
    </message>
    <message>
        <source>time code</source>
        <translation>Timecode</translation>
    </message>
    <message>
        <source>{} is &quot;{}&quot;, but should be {}</source>
        <translation>{} ist „{}“, sollte aber {} sein</translation>
    </message>
    <message>
        <source>a frame counted from 0</source>
        <translation>ein Bild, ab 0 gezählt</translation>
    </message>
    <message>
        <source>seconds from 0, or a time such as 00:01:02.500 or 00:01:02:12</source>
        <translation>Sekunden ab 0 oder eine Zeit wie 00:01:02.500 oder 00:01:02:12</translation>
    </message>
    <message>
        <source>it has no frame, no seconds and no timecode</source>
        <translation>es hat weder Bild noch Sekunden noch Timecode</translation>
    </message>
    <message>
        <source>one of blast, landing, hit, beat</source>
        <translation>eines von blast, landing, hit, beat</translation>
    </message>
    <message>
        <source>a ratio from 0 to 10, or percent</source>
        <translation>ein Verhältnis von 0 bis 4, oder Prozent</translation>
    </message>
    <message>
        <source>degrees from -360 to 360</source>
        <translation>Grad von -360 bis 360</translation>
    </message>
    <message>
        <source>a whole number from 0 to 4294967295</source>
        <translation>eine ganze Zahl von 0 bis 4294967295</translation>
    </message>
    <message>
        <source>X:Y:Z in metres, or picture:X:Y:METRES</source>
        <translation>X:Y:Z in Metern, oder picture:X:Y:METER</translation>
    </message>
    <message>
        <source>The list</source>
        <translation>Die Liste</translation>
    </message>
    <message>
        <source>the list has no such heading</source>
        <translation>die Liste hat keine solche Überschrift</translation>
    </message>
    <message>
        <source>strikes have no such value</source>
        <translation>Schläge haben keinen solchen Wert</translation>
    </message>
    <message>
        <source>line {}</source>
        <translation>Zeile {}</translation>
    </message>
    <message>
        <source>a quotation mark is never closed</source>
        <translation>ein Anführungszeichen wird nie geschlossen</translation>
    </message>
    <message>
        <source>Vast Ember</source>
        <translation>Vast Ember</translation>
    </message>
    <message>
        <source>nothing moves in it, so there is nothing to export</source>
        <translation>nichts darin bewegt sich, also gibt es nichts zu exportieren</translation>
    </message>
    <message>
        <source>it is not in the project (any more)</source>
        <translation>es ist nicht (mehr) im Projekt</translation>
    </message>
    <message>
        <source>The project</source>
        <translation>Das Projekt</translation>
    </message>
    <message>
        <source>it has no clip, so it has no frames to export</source>
        <translation>es hat keinen Clip, also keine Bilder zum Exportieren</translation>
    </message>
    <message>
        <source>The shot</source>
        <translation>Die Einstellung</translation>
    </message>
    <message>
        <source>The strike</source>
        <translation>Der Schlag</translation>
    </message>
    <message>
        <source>The recipe</source>
        <translation>Das Rezept</translation>
    </message>
    <message>
        <source>The part</source>
        <translation>Der Teil</translation>
    </message>
    <message>
        <source>The lens</source>
        <translation>Die Brennweite</translation>
    </message>
    <message>
        <source>it should be 1 to 170 degrees</source>
        <translation>sie sollte 1 bis 170 Grad sein</translation>
    </message>
    <message>
        <source>The picture width</source>
        <translation>Die Bildbreite</translation>
    </message>
    <message>
        <source>it should be 0.001 to 1000000 units</source>
        <translation>sie sollte 0.001 bis 1000000 Einheiten sein</translation>
    </message>
    <message>
        <source>The frame offset</source>
        <translation>Der Bildversatz</translation>
    </message>
    <message>
        <source>it should be within 100 million frames</source>
        <translation>er sollte innerhalb von 100 Millionen Bildern liegen</translation>
    </message>
    <message>
        <source>What keys may be off</source>
        <translation>Was Keys abweichen dürfen</translation>
    </message>
    <message>
        <source>it should be above 0 and at most 1000</source>
        <translation>es sollte über 0 und höchstens 1000 sein</translation>
    </message>
    <message>
        <source>it has no recipe, or nothing of it arrives</source>
        <translation>er hat kein Rezept, oder nichts davon kommt an</translation>
    </message>
    <message>
        <source>pan and tilt (as seen by a camera with a 50 degree lens), then scale, then roll about the anchor, then x and y</source>
        <translation>Schwenk und Neigung (wie von einer Kamera mit 50 Grad gesehen), dann Skalierung, dann Roll um den Anker, dann x und y</translation>
    </message>
    <message>
        <source>about the camera&apos;s own axes: pan (y), then tilt (x), then roll (z)</source>
        <translation>um die Achsen der Kamera: Schwenk (y), dann Neigung (x), dann Roll (z)</translation>
    </message>
    <message>
        <source>The motion</source>
        <translation>Die Bewegung</translation>
    </message>
    <message>
        <source>it is JSON, but holds no motion: &quot;vember_motion&quot; is missing</source>
        <translation>es ist JSON, enthält aber keine Bewegung: &quot;vember_motion&quot; fehlt</translation>
    </message>
    <message>
        <source>this program reads version 1 of it</source>
        <translation>dieses Programm liest Version 1 davon</translation>
    </message>
    <message>
        <source>&quot;of&quot; or &quot;as&quot; is a word it cannot be</source>
        <translation>&quot;of&quot; oder &quot;as&quot; ist ein Wort, das es nicht sein kann</translation>
    </message>
    <message>
        <source>its size or rate is one that no film has</source>
        <translation>seine Größe oder Bildrate hat kein Film</translation>
    </message>
    <message>
        <source>&quot;frames&quot; should be 1 to 10 million</source>
        <translation>&quot;frames&quot; sollte 1 bis 10 Millionen sein</translation>
    </message>
    <message>
        <source>channel &quot;{}&quot; has another number of values than there are frames</source>
        <translation>Kanal „{}“ hat eine andere Zahl von Werten, als es Bilder gibt</translation>
    </message>
    <message>
        <source>it cannot be read: {}</source>
        <translation>es kann nicht gelesen werden: {}</translation>
    </message>
    <message>
        <source>its rate is not one that a film has</source>
        <translation>seine Bildrate hat kein Film</translation>
    </message>
    <message>
        <source>it is not an object</source>
        <translation>es ist kein Objekt</translation>
    </message>
    <message>
        <source>it is JSON, but neither a list nor an object with &quot;strikes&quot;</source>
        <translation>es ist JSON, aber weder eine Liste noch ein Objekt mit &quot;strikes&quot;</translation>
    </message>
    <message>
        <source>{}, byte {}</source>
        <translation>{}, Byte {}</translation>
    </message>
    <message>
        <source>there is no event there</source>
        <translation>dort ist kein Ereignis</translation>
    </message>
    <message>
        <source>the file is cut short there</source>
        <translation>die Datei ist dort abgeschnitten</translation>
    </message>
    <message>
        <source>a Standard MIDI file begins with MThd</source>
        <translation>eine Standard-MIDI-Datei beginnt mit MThd</translation>
    </message>
    <message>
        <source>byte {}</source>
        <translation>Byte {}</translation>
    </message>
    <message>
        <source>its header is cut short</source>
        <translation>ihr Kopf ist abgeschnitten</translation>
    </message>
    <message>
        <source>the file is cut short there: it should have {} tracks, but {} are there</source>
        <translation>die Datei ist dort abgeschnitten: sie sollte {} Spuren haben, aber {} sind da</translation>
    </message>
    <message>
        <source>note {}</source>
        <translation>Note {}</translation>
    </message>
    <message>
        <source>it comes more than eleven days after the start</source>
        <translation>es kommt mehr als elf Tage nach dem Anfang</translation>
    </message>
    <message>
        <source>the table has no such heading</source>
        <translation>die Tabelle hat keine solche Überschrift</translation>
    </message>
    <message>
        <source>{} in {}</source>
        <translation>{} in {}</translation>
    </message>
    <message>
        <source>its unit should be one of {}</source>
        <translation>ihre Einheit sollte eine von {} sein</translation>
    </message>
    <message>
        <source>its {} is &quot;{}&quot;, not a number</source>
        <translation>ihr {} ist „{}“, keine Zahl</translation>
    </message>
    <message>
        <source>no motion is as long</source>
        <translation>keine Bewegung ist so lang</translation>
    </message>
    <message>
        <source>its zoom should be above 0</source>
        <translation>ihr Zoom sollte über 0 sein</translation>
    </message>
    <message>
        <source>px left</source>
        <translation>px nach links</translation>
    </message>
    <message>
        <source>% of width</source>
        <translation>% der Breite</translation>
    </message>
    <message>
        <source>px up</source>
        <translation>px nach oben</translation>
    </message>
    <message>
        <source>% of height</source>
        <translation>% der Höhe</translation>
    </message>
    <message>
        <source>degrees left</source>
        <translation>Grad nach links</translation>
    </message>
    <message>
        <source>radians left</source>
        <translation>Radiant nach links</translation>
    </message>
    <message>
        <source>change in %</source>
        <translation>Änderung in %</translation>
    </message>
    <message>
        <source>The table</source>
        <translation>Die Tabelle</translation>
    </message>
    <message>
        <source>it is frame {}, which does not come after frame {}</source>
        <translation>es ist Bild {}, das nicht auf Bild {} folgt</translation>
    </message>
    <message>
        <source>the motion is longer than {} frames</source>
        <translation>die Bewegung ist länger als {} Bilder</translation>
    </message>
    <message>
        <source>a motion has two frames or more</source>
        <translation>eine Bewegung hat zwei Bilder oder mehr</translation>
    </message>
    <message>
        <source>its stacks lie too deep in each other</source>
        <translation>seine Stapel liegen zu tief ineinander</translation>
    </message>
    <message>
        <source>its marked_range has no start_time with value and rate</source>
        <translation>seine marked_range hat keine start_time mit value und rate</translation>
    </message>
    <message>
        <source>it is JSON, but names no OTIO_SCHEMA</source>
        <translation>es ist JSON, nennt aber kein OTIO_SCHEMA</translation>
    </message>
    <message>
        <source>a time has no rate above 0</source>
        <translation>eine Zeit hat keine rate über 0</translation>
    </message>
    <message>
        <source>The timeline</source>
        <translation>Die Timeline</translation>
    </message>
    <message>
        <source>the timeline</source>
        <translation>die Timeline</translation>
    </message>
    <message>
        <source>it is JSON, but no OpenTimelineIO timeline</source>
        <translation>es ist JSON, aber keine OpenTimelineIO-Timeline</translation>
    </message>
    <message>
        <source>it has no track with pictures</source>
        <translation>sie hat keine Spur mit Bildern</translation>
    </message>
    <message>
        <source>its frame rate is not one from 1 to 1000</source>
        <translation>ihre Bildrate ist keine von 1 bis 1000</translation>
    </message>
    <message>
        <source>{} cannot be read: {}</source>
        <translation>{} kann nicht gelesen werden: {}</translation>
    </message>
    <message>
        <source>its track is empty</source>
        <translation>ihre Spur ist leer</translation>
    </message>
    <message>
        <source>a WebVTT file begins with WEBVTT</source>
        <translation>eine WebVTT-Datei beginnt mit WEBVTT</translation>
    </message>
    <message>
        <source>&quot;{}&quot; does not begin with a time such as 00:01:02.500</source>
        <translation>„{}“ beginnt nicht mit einer Zeit wie 00:01:02.500</translation>
    </message>
    <message>
        <source>Making keys</source>
        <translation>Keys erzeugen</translation>
    </message>
    <message>
        <source>it moves farther than one strand may, so it cannot be one strand of keys</source>
        <translation>es bewegt sich weiter, als ein Strang darf, kann also nicht ein Strang aus Keys sein</translation>
    </message>
    <message>
        <source>it does not move the picture, so there is nothing to make keys of</source>
        <translation>es bewegt das Bild nicht, also gibt es nichts, woraus Keys würden</translation>
    </message>
    <message>
        <source>The strand</source>
        <translation>Der Strang</translation>
    </message>
    <message>
        <source>The film</source>
        <translation>Der Film</translation>
    </message>
    <message>
        <source>Film, keys</source>
        <translation>Film, Keys</translation>
    </message>
    <message>
        <source>The stretch</source>
        <translation>Die Strecke</translation>
    </message>
    <message>
        <source>unsaved work</source>
        <translation>ungespeicherte Arbeit</translation>
    </message>
    <message>
        <source>it is not a journal</source>
        <translation>es ist kein Journal</translation>
    </message>
    <message>
        <source>should be an object in braces</source>
        <translation>sollte ein Objekt in Klammern sein</translation>
    </message>
    <message>
        <source>is not a key this version knows</source>
        <translation>ist kein Schlüssel, den diese Version kennt</translation>
    </message>
    <message>
        <source>is missing</source>
        <translation>fehlt</translation>
    </message>
    <message>
        <source>should be a number</source>
        <translation>sollte eine Zahl sein</translation>
    </message>
    <message>
        <source>is {}, which is outside {} to {}</source>
        <translation>ist {}, das liegt außerhalb von {} bis {}</translation>
    </message>
    <message>
        <source>is {}, but should be {}</source>
        <translation>ist {}, sollte aber {} sein</translation>
    </message>
    <message>
        <source>is {}, but should be a whole number</source>
        <translation>ist {}, sollte aber eine ganze Zahl sein</translation>
    </message>
    <message>
        <source>is {}, but should be one of {}</source>
        <translation>ist {}, sollte aber eines von {} sein</translation>
    </message>
    <message>
        <source>should be a text in quotes</source>
        <translation>sollte ein Text in Anführungszeichen sein</translation>
    </message>
    <message>
        <source>should be true or false</source>
        <translation>sollte true oder false sein</translation>
    </message>
    <message>
        <source>{} {}</source>
        <translation>{} {}</translation>
    </message>
    <message>
        <source>should be five numbers: x_px, y_px, roll_deg, zoom, confidence</source>
        <translation>sollte fünf Zahlen sein: x_px, y_px, roll_deg, zoom, confidence</translation>
    </message>
    <message>
        <source>has {} as its {}, but that should be a number from {} to {}</source>
        <translation>hat {} als {}, doch das sollte eine Zahl von {} bis {} sein</translation>
    </message>
    <message>
        <source>should not be empty</source>
        <translation>sollte nicht leer sein</translation>
    </message>
    <message>
        <source>is &quot;{}&quot;, but should be a fraction such as &quot;24/1&quot;</source>
        <translation>ist „{}“, sollte aber ein Bruch wie &quot;24/1&quot; sein</translation>
    </message>
    <message>
        <source>should be a list of 2 to {} frames</source>
        <translation>sollte eine Liste von 2 bis {} Bildern sein</translation>
    </message>
    <message>
        <source>it has motion format version {}, and this program reads version 1</source>
        <translation>es hat Bewegungsformat-Version {}, und dieses Programm liest Version 1</translation>
    </message>
    <message>
        <source>a shipped motion</source>
        <translation>eine mitgelieferte Bewegung</translation>
    </message>
    <message>
        <source>A motion of your library cannot be used: {}</source>
        <translation>Eine Bewegung Ihrer Sammlung kann nicht verwendet werden: {}</translation>
    </message>
    <message>
        <source>a table does not tell the rate and size of its clip: capture writes them into a .json file, and the window asks for them where it imports a table</source>
        <translation>eine Tabelle nennt weder Bildrate noch Größe ihres Clips: capture schreibt sie in eine .json-Datei, und das Fenster fragt danach, wo es eine Tabelle importiert</translation>
    </message>
    <message>
        <source>is &quot;{}&quot;, but should be blast, landing, hit or beat</source>
        <translation>ist „{}“, sollte aber blast, landing, hit oder beat sein</translation>
    </message>
    <message>
        <source>is {}, which is not among the recipes</source>
        <translation>ist {}, das nicht unter den Rezepten ist</translation>
    </message>
    <message>
        <source>should be {}, one for each state</source>
        <translation>sollte {} sein, eines für jeden Zustand</translation>
    </message>
    <message>
        <source>should be two numbers from -4 to 5, ratios of the picture&apos;s width and height</source>
        <translation>sollte zwei Zahlen von -4 bis 5 sein, Teile von Breite und Höhe des Bildes</translation>
    </message>
    <message>
        <source>{}.frame</source>
        <translation>{}.frame</translation>
    </message>
    <message>
        <source>should be later than the key&apos;s before it</source>
        <translation>sollte später sein als der Key davor</translation>
    </message>
    <message>
        <source>should be the name of one of two states</source>
        <translation>sollte der Name eines von zwei Zuständen sein</translation>
    </message>
    <message>
        <source>is more than a board has: {} pads</source>
        <translation>ist mehr, als eine Tafel hat: {} Pads</translation>
    </message>
    <message>
        <source>is no value of the recipe {}</source>
        <translation>ist kein Wert des Rezepts {}</translation>
    </message>
    <message>
        <source>is {}, but should be blast, landing, hit or beat</source>
        <translation>ist {}, sollte aber blast, landing, hit oder beat sein</translation>
    </message>
    <message>
        <source>names {}, which is not among the groups</source>
        <translation>nennt {}, das nicht unter den Gruppen ist</translation>
    </message>
    <message>
        <source>names {}, which is not among the recipes</source>
        <translation>nennt {}, das nicht unter den Rezepten ist</translation>
    </message>
    <message>
        <source>has two entries on frame {}</source>
        <translation>hat zwei Einträge auf Bild {}</translation>
    </message>
    <message>
        <source>should be the path of a sound</source>
        <translation>sollte der Pfad eines Tons sein</translation>
    </message>
    <message>
        <source>should be the path of a clip</source>
        <translation>sollte der Pfad eines Clips sein</translation>
    </message>
    <message>
        <source>is {}, but should be a fraction such as &quot;24000/1001&quot;</source>
        <translation>ist {}, sollte aber ein Bruch wie &quot;24000/1001&quot; sein</translation>
    </message>
    <message>
        <source>is {}, but should be a colour such as #1a2b3c</source>
        <translation>ist {}, sollte aber eine Farbe wie #1a2b3c sein</translation>
    </message>
    <message>
        <source>should be the path of a picture</source>
        <translation>sollte der Pfad eines Bildes sein</translation>
    </message>
    <message>
        <source>{}.name</source>
        <translation>{}.name</translation>
    </message>
    <message>
        <source>is {}, as another group&apos;s is already</source>
        <translation>ist {}, so wie schon das einer anderen Gruppe</translation>
    </message>
    <message>
        <source>is {}, but should be a fraction such as &quot;24000/1001&quot;, 1 to 1000 a second</source>
        <translation>ist {}, sollte aber ein Bruch wie &quot;24000/1001&quot; sein, 1 bis 1000 je Sekunde</translation>
    </message>
    <message>
        <source>is {}, but should name a frame, such as &quot;01:00:00:00&quot;</source>
        <translation>ist {}, sollte aber ein Bild nennen, wie &quot;01:00:00:00&quot;</translation>
    </message>
    <message>
        <source>is {}, as another recipe&apos;s is already</source>
        <translation>ist {}, so wie schon das eines anderen Rezepts</translation>
    </message>
    <message>
        <source>are longer together than a film can be</source>
        <translation>sind zusammen länger, als ein Film sein kann</translation>
    </message>
    <message>
        <source>it is JSON, but not a Vast Ember project: &quot;vember&quot; is missing</source>
        <translation>es ist JSON, aber kein Projekt von Vast Ember: &quot;vember&quot; fehlt</translation>
    </message>
    <message>
        <source>it has format version {}, and this program reads versions 1 to {}</source>
        <translation>es hat Formatversion {}, und dieses Programm liest Versionen 1 bis {}</translation>
    </message>
    <message>
        <source>{}.about</source>
        <translation>{}.about</translation>
    </message>
    <message>
        <source>it is JSON, but holds no recipes: &quot;vember_recipes&quot; is missing</source>
        <translation>es ist JSON, enthält aber keine Rezepte: &quot;vember_recipes&quot; fehlt</translation>
    </message>
    <message>
        <source>it has recipe format version {}, and this program reads version 1</source>
        <translation>es hat Rezeptformat-Version {}, und dieses Programm liest Version 1</translation>
    </message>
    <message>
        <source>The clipboard</source>
        <translation>Die Zwischenablage</translation>
    </message>
    <message>
        <source>there is no strand in it</source>
        <translation>es ist kein Strang darin</translation>
    </message>
    <message>
        <source>should be a list in brackets</source>
        <translation>sollte eine Liste in Klammern sein</translation>
    </message>
    <message>
        <source>is {}, as another strand&apos;s of this recipe is already</source>
        <translation>ist {}, so wie schon das eines anderen Strangs dieses Rezepts</translation>
    </message>
    <message>
        <source>FRAME:RATIO,…, such as 0:1,48:0.5</source>
        <translation>BILD:VERHÄLTNIS,…, wie 0:1,48:0.5</translation>
    </message>
    <message>
        <source>FRAME:cut or FRAME:ease:FRAMES, …</source>
        <translation>BILD:cut oder BILD:ease:BILDER, …</translation>
    </message>
    <message>
        <source>it should be {}</source>
        <translation>es sollte {} sein</translation>
    </message>
    <message>
        <source>this project has no such value</source>
        <translation>dieses Projekt hat keinen solchen Wert</translation>
    </message>
    <message>
        <source>{}, each frame once</source>
        <translation>{}, jedes Bild einmal</translation>
    </message>
    <message>
        <source>whole frames, 1 to {}</source>
        <translation>ganze Bilder, 1 bis {}</translation>
    </message>
    <message>
        <source>a frame of the clip, 0 to {} with this length</source>
        <translation>ein Bild des Clips, 0 bis {} bei dieser Länge</translation>
    </message>
    <message>
        <source>the path of a picture</source>
        <translation>der Pfad eines Bildes</translation>
    </message>
    <message>
        <source>a name that no other recipe has</source>
        <translation>ein Name, den kein anderes Rezept hat</translation>
    </message>
    <message>
        <source>FRAME:VALUE:EASE,…, such as 0:1:smooth,8:-0.4:out</source>
        <translation>BILD:WERT:EASE,…, wie 0:1:smooth,8:-0.4:out</translation>
    </message>
    <message>
        <source>a frame of the film, 0 to {}</source>
        <translation>ein Bild des Films, 0 bis {}</translation>
    </message>
    <message>
        <source>degrees from -360 to 360, or seed</source>
        <translation>Grad von -360 bis 360, oder seed</translation>
    </message>
    <message>
        <source>X:Y:Z in metres, picture:X:Y:METRES, or none</source>
        <translation>X:Y:Z in Metern, picture:X:Y:METER, oder none</translation>
    </message>
    <message>
        <source>the name of a recipe in this project</source>
        <translation>der Name eines Rezepts dieses Projekts</translation>
    </message>
    <message>
        <source>is not known here</source>
        <translation>ist hier nicht bekannt</translation>
    </message>
    <message>
        <source>should be a word</source>
        <translation>sollte ein Wort sein</translation>
    </message>
    <message>
        <source>should be a list</source>
        <translation>sollte eine Liste sein</translation>
    </message>
    <message>
        <source>should be metres from -10000 to 10000</source>
        <translation>sollte Meter von -10000 bis 10000 sein</translation>
    </message>
    <message>
        <source>should be words</source>
        <translation>sollte Wörter sein</translation>
    </message>
    <message>
        <source>makes more than two million messages</source>
        <translation>ergibt mehr als zwei Millionen Nachrichten</translation>
    </message>
    <message>
        <source>took over</source>
        <translation>übernahm</translation>
    </message>
    <message>
        <source>its recipe is gone</source>
        <translation>sein Rezept ist weg</translation>
    </message>
    <message>
        <source>all shakes of the film are bypassed</source>
        <translation>alle Erschütterungen des Films sind aus</translation>
    </message>
    <message>
        <source>its strength is not between 0 and 400 %</source>
        <translation>seine Stärke liegt nicht zwischen 0 und 400 %</translation>
    </message>
    <message>
        <source>its strength is 0</source>
        <translation>seine Stärke ist 0</translation>
    </message>
    <message>
        <source>it is {} m away, beyond the cut-off</source>
        <translation>er ist {} m entfernt, jenseits der Grenze</translation>
    </message>
    <message>
        <source>{} strike on this frame already</source>
        <translation>{} Schlag ist schon auf diesem Bild</translation>
    </message>
    <message>
        <source>one of its recipe is on this frame, and the stronger stays</source>
        <translation>einer seines Rezepts ist auf diesem Bild, und der stärkere bleibt</translation>
    </message>
    <message>
        <source>together {}, held under the ceiling of {}</source>
        <translation>zusammen {}, unter der Obergrenze von {} gehalten</translation>
    </message>
    <message>
        <source>one of {} still runs, and the stronger is felt</source>
        <translation>einer von {} läuft noch, und der stärkere ist zu spüren</translation>
    </message>
    <message>
        <source>stronger than what ran</source>
        <translation>stärker als das, was lief</translation>
    </message>
    <message>
        <source>the newest is felt</source>
        <translation>der neueste ist zu spüren</translation>
    </message>
    <message>
        <source>no socket can be opened</source>
        <translation>es lässt sich kein Socket öffnen</translation>
    </message>
    <message>
        <source>this address cannot be listened on</source>
        <translation>auf dieser Adresse lässt sich nicht lauschen</translation>
    </message>
    <message>
        <source>the port is not known</source>
        <translation>der Port ist nicht bekannt</translation>
    </message>
    <message>
        <source>nothing can be sent there</source>
        <translation>dorthin kann nichts gesendet werden</translation>
    </message>
    <message>
        <source>it is no kind, no pad and no recipe of this project</source>
        <translation>es ist keine Art, kein Pad und kein Rezept dieses Projekts</translation>
    </message>
    <message>
        <source>it is a single picture, in which nothing moves</source>
        <translation>es ist ein einzelnes Bild, in dem sich nichts bewegt</translation>
    </message>
    <message>
        <source>motion is read from two frames or more</source>
        <translation>Bewegung wird aus zwei oder mehr Bildern gelesen</translation>
    </message>
    <message>
        <source>nothing in its pictures can be followed: they are flat, dark, or each another</source>
        <translation>in seinen Bildern lässt sich nichts verfolgen: sie sind flach, dunkel oder jedes ein anderes</translation>
    </message>
    <message>
        <source>The flash check</source>
        <translation>Die Blitzprüfung</translation>
    </message>
    <message>
        <source>frame {}</source>
        <translation>Bild {}</translation>
    </message>
    <message>
        <source>frames {} to {}</source>
        <translation>Bilder {} bis {}</translation>
    </message>
    <message>
        <source>it has {} frames and had {}</source>
        <translation>er hat {} Bilder und hatte {}</translation>
    </message>
    <message>
        <source>it is {} pixels large and was {}</source>
        <translation>er ist {} Pixel groß und war {}</translation>
    </message>
    <message>
        <source>it has {} frames a second and had {}</source>
        <translation>er hat {} Bilder je Sekunde und hatte {}</translation>
    </message>
    <message>
        <source>{}, and {}</source>
        <translation>{}, und {}</translation>
    </message>
    <message>
        <source>{} is not as it was: {}.</source>
        <translation>{} ist nicht, wie er war: {}.</translation>
    </message>
    <message>
        <source>the project</source>
        <translation>das Projekt</translation>
    </message>
    <message>
        <source>a clip of the project</source>
        <translation>ein Clip des Projekts</translation>
    </message>
    <message>
        <source>the film&apos;s sound</source>
        <translation>der Ton des Films</translation>
    </message>
    <message>
        <source>a layer of the project</source>
        <translation>eine Ebene des Projekts</translation>
    </message>
    <message>
        <source>a sound of the project</source>
        <translation>ein Ton des Projekts</translation>
    </message>
    <message>
        <source>{} is damaged: 1 of its pictures that were read is not whole, number {}.</source>
        <translation>{} ist beschädigt: 1 seiner gelesenen Bilder ist nicht heil, Nummer {}.</translation>
    </message>
    <message>
        <source>{} is damaged: {} of its pictures that were read are not whole, from number {} on.</source>
        <translation>{} ist beschädigt: {} seiner gelesenen Bilder sind nicht heil, ab Nummer {}.</translation>
    </message>
    <message>
        <source>it has no frame {}</source>
        <translation>er hat kein Bild {}</translation>
    </message>
    <message>
        <source>it has no clip</source>
        <translation>er hat keinen Clip</translation>
    </message>
    <message>
        <source>it is there already</source>
        <translation>es ist schon da</translation>
    </message>
    <message>
        <source>the rumble&apos;s pitch should be 10 to 120 Hz</source>
        <translation>die Tonhöhe des Grollens sollte 10 bis 120 Hz sein</translation>
    </message>
    <message>
        <source>a rumble track is made of a film of up to six hours</source>
        <translation>eine Grollspur wird aus einem Film von bis zu sechs Stunden gemacht</translation>
    </message>
    <message>
        <source>{} frames.</source>
        <translation>{} Bilder.</translation>
    </message>
    <message>
        <source>{} frames, {} keys instead of {}.</source>
        <translation>{} Bilder, {} Keys statt {}.</translation>
    </message>
    <message>
        <source>Pan and tilt with it: a camera shows a corner up to {} px beside its place.</source>
        <translation>Schwenk und Neigung dabei: eine Kamera zeigt eine Ecke bis zu {} px neben ihrem Platz.</translation>
    </message>
    <message>
        <source>it is not in the project (any more), or has no recipe</source>
        <translation>er ist nicht (mehr) im Projekt oder hat kein Rezept</translation>
    </message>
    <message>
        <source>A recipe to be played</source>
        <translation>Ein Rezept zum Abspielen</translation>
    </message>
    <message>
        <source>it is of one recipe or one strike: say which</source>
        <translation>es ist von einem Rezept oder einem Schlag: sagen Sie, von welchem</translation>
    </message>
    <message>
        <source>it has no strands, so there is nothing to export</source>
        <translation>es hat keine Stränge, also gibt es nichts zu exportieren</translation>
    </message>
    <message>
        <source>Play it with vast_ember.hpp or vast_ember.mjs of the folder runtime.</source>
        <translation>Abspielen mit vast_ember.hpp oder vast_ember.mjs aus dem Ordner runtime.</translation>
    </message>
    <message>
        <source>it is of the whole film, not of a part</source>
        <translation>es ist vom ganzen Film, nicht von einem Teil</translation>
    </message>
    <message>
        <source>it has no strikes, so there is nothing to export</source>
        <translation>es hat keine Schläge, also gibt es nichts zu exportieren</translation>
    </message>
    <message>
        <source>A sheet that ends in {}</source>
        <translation>Ein Blatt, das auf {} endet</translation>
    </message>
    <message>
        <source>it is .svg, .pdf or .png</source>
        <translation>es ist .svg, .pdf oder .png</translation>
    </message>
    <message>
        <source>A shake sheet</source>
        <translation>Ein Schlagblatt</translation>
    </message>
    <message>
        <source>only PDF has pages for all strikes: say which one, or give a folder</source>
        <translation>nur PDF hat Seiten für alle Schläge: sagen Sie, für welchen, oder geben Sie einen Ordner an</translation>
    </message>
    <message>
        <source>it is of one strike or of all of the film&apos;s: say which</source>
        <translation>es ist von einem Schlag oder von allen des Films: sagen Sie, von welchem</translation>
    </message>
    <message>
        <source>SVG has no depth: pan and tilt are left out.</source>
        <translation>SVG hat keine Tiefe: Schwenk und Neigung sind weggelassen.</translation>
    </message>
    <message>
        <source>The export</source>
        <translation>Der Export</translation>
    </message>
    <message>
        <source>The file</source>
        <translation>Die Datei</translation>
    </message>
    <message>
        <source>a file&apos;s name is wanted here</source>
        <translation>hier wird der Name einer Datei erwartet</translation>
    </message>
    <message>
        <source>only sheets and recipes are written into a folder, one file for each</source>
        <translation>nur Blätter und Rezepte werden in einen Ordner geschrieben, eine Datei für jedes</translation>
    </message>
    <message>
        <source>it has no recipes, so there is nothing to export</source>
        <translation>es hat keine Rezepte, also gibt es nichts zu exportieren</translation>
    </message>
    <message>
        <source>the folder cannot be made</source>
        <translation>der Ordner kann nicht angelegt werden</translation>
    </message>
    <message>
        <source>nothing of it moves, so there is nothing to export</source>
        <translation>nichts davon bewegt sich, also gibt es nichts zu exportieren</translation>
    </message>
    <message>
        <source>lists end in .csv, .json, .jsonl, .vtt, .mid or .otio</source>
        <translation>Listen enden auf .csv, .json, .jsonl, .vtt, .mid oder .otio</translation>
    </message>
    <message>
        <source>a list of strikes</source>
        <translation>eine Liste von Schlägen</translation>
    </message>
    <message>
        <source>its track has gaps only</source>
        <translation>ihre Spur hat nur Lücken</translation>
    </message>
    <message>
        <source>Sound: {} LUFS, true peak {} dB.</source>
        <translation>Ton: {} LUFS, wahre Spitze {} dB.</translation>
    </message>
    <message>
        <source>there are no frames between {} and {}</source>
        <translation>zwischen {} und {} gibt es keine Bilder</translation>
    </message>
    <message>
        <source>This format needs even sizes: the film is {} x {} pixels.</source>
        <translation>Dieses Format braucht gerade Maße: der Film ist {} x {} Pixel.</translation>
    </message>
    <message>
        <source>{} pictures were there already and were kept.</source>
        <translation>{} Bilder waren schon da und wurden behalten.</translation>
    </message>
    <message>
        <source>the pictures ended early</source>
        <translation>die Bilder endeten zu früh</translation>
    </message>
    <message>
        <source>The render</source>
        <translation>Das Rendern</translation>
    </message>
    <message>
        <source>by the seed</source>
        <translation>nach Startwert</translation>
    </message>
    <message>
        <source>nothing moves in it, so there is no sheet of it</source>
        <translation>nichts darin bewegt sich, also gibt es kein Blatt davon</translation>
    </message>
    <message>
        <source>, its envelope</source>
        <translation>, seine Hüllkurve</translation>
    </message>
    <message>
        <source>%</source>
        <translation>%</translation>
    </message>
    <message>
        <source>%/s</source>
        <translation>%/s</translation>
    </message>
    <message>
        <source>2D only</source>
        <translation>Nur 2D</translation>
    </message>
    <message>
        <source>A frame of the film, counted from 0</source>
        <translation>Ein Bild des Films, ab 0 gezählt</translation>
    </message>
    <message>
        <source>Across</source>
        <translation>Quer</translation>
    </message>
    <message>
        <source>Add: all are felt; stronger: only the strongest; restart: only the newest</source>
        <translation>Add: alle sind zu spüren; stärkster: nur der stärkste; neu: nur der neueste</translation>
    </message>
    <message>
        <source>Add: light on top; mix: in place of the picture</source>
        <translation>Add: Licht obenauf; mischen: an Stelle des Bildes</translation>
    </message>
    <message>
        <source>Added to the frames&apos; numbers, where the other program counts from another one</source>
        <translation>Zu den Bildnummern addiert, wo das andere Programm von einer anderen an zählt</translation>
    </message>
    <message>
        <source>Anchor</source>
        <translation>Anker</translation>
    </message>
    <message>
        <source>Angle</source>
        <translation>Winkel</translation>
    </message>
    <message>
        <source>Angle tolerance</source>
        <translation>Winkeltoleranz</translation>
    </message>
    <message>
        <source>Apart</source>
        <translation>Abstand</translation>
    </message>
    <message>
        <source>As drawn</source>
        <translation>Wie gezeichnet</translation>
    </message>
    <message>
        <source>At once; as sound in air, 343 m/s; as a wave in the ground, 1500 m/s; or at a speed of its own</source>
        <translation>Sofort; wie Schall in Luft, 343 m/s; wie eine Welle im Boden, 1500 m/s; oder mit eigenem Tempo</translation>
    </message>
    <message>
        <source>Attack</source>
        <translation>Anstieg</translation>
    </message>
    <message>
        <source>BPM</source>
        <translation>BPM</translation>
    </message>
    <message>
        <source>Bar</source>
        <translation>Takt</translation>
    </message>
    <message>
        <source>Bend of a lead that builds up; 0 is straight, 4 comes late</source>
        <translation>Biegung eines Vorlaufs, der sich aufbaut; 0 ist gerade, 4 kommt spät</translation>
    </message>
    <message>
        <source>Bend of the rise; 0 is straight</source>
        <translation>Biegung des Anstiegs; 0 ist gerade</translation>
    </message>
    <message>
        <source>Blend</source>
        <translation>Mischung</translation>
    </message>
    <message>
        <source>By seed</source>
        <translation>Nach Startwert</translation>
    </message>
    <message>
        <source>Bypass</source>
        <translation>Umgehen</translation>
    </message>
    <message>
        <source>Ceiling</source>
        <translation>Obergrenze</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>Counts</source>
        <translation>Zählt</translation>
    </message>
    <message>
        <source>Cover</source>
        <translation>Deckung</translation>
    </message>
    <message>
        <source>Cut: at rest on this frame; ease: eased home</source>
        <translation>Schnitt: auf diesem Bild in Ruhe; weich: sanft heim</translation>
    </message>
    <message>
        <source>Damping</source>
        <translation>Dämpfung</translation>
    </message>
    <message>
        <source>Decay</source>
        <translation>Abklingen</translation>
    </message>
    <message>
        <source>Decoded frames that are kept, so that stepping and looping need not wait</source>
        <translation>Decodierte Bilder, die behalten werden, damit Springen und Schleifen nicht warten müssen</translation>
    </message>
    <message>
        <source>Depth</source>
        <translation>Tiefe</translation>
    </message>
    <message>
        <source>Direction</source>
        <translation>Richtung</translation>
    </message>
    <message>
        <source>Directions</source>
        <translation>Richtungen</translation>
    </message>
    <message>
        <source>Distance</source>
        <translation>Abstand</translation>
    </message>
    <message>
        <source>Down</source>
        <translation>Runter</translation>
    </message>
    <message>
        <source>Drift</source>
        <translation>Drift</translation>
    </message>
    <message>
        <source>Each press goes another way; else it goes by the direction</source>
        <translation>Jeder Druck geht anderswohin; sonst nach der Richtung</translation>
    </message>
    <message>
        <source>Each: every strike moves by its own seed; same: all by the recipe&apos;s</source>
        <translation>Jeder: jeder Schlag bewegt sich nach eigenem Startwert; gleich: alle nach dem des Rezepts</translation>
    </message>
    <message>
        <source>Ease</source>
        <translation>Verlauf</translation>
    </message>
    <message>
        <source>Edges</source>
        <translation>Ränder</translation>
    </message>
    <message>
        <source>Effects chosen here are shown on every n-th frame of the strike; 1 is always</source>
        <translation>Hier gewählte Effekte zeigen sich auf jedem n-ten Bild des Schlags; 1 ist immer</translation>
    </message>
    <message>
        <source>Every</source>
        <translation>Jedes</translation>
    </message>
    <message>
        <source>Exposure</source>
        <translation>Belichtung</translation>
    </message>
    <message>
        <source>Fall</source>
        <translation>Abfall</translation>
    </message>
    <message>
        <source>Family of the fall; constant stays up to its last frame</source>
        <translation>Art des Abfalls; konstant bleibt bis zu seinem letzten Bild oben</translation>
    </message>
    <message>
        <source>Flash</source>
        <translation>Blitz</translation>
    </message>
    <message>
        <source>Flashes</source>
        <translation>Blitze</translation>
    </message>
    <message>
        <source>Flicker</source>
        <translation>Flackern</translation>
    </message>
    <message>
        <source>Flicker for the whole film; without it effects are steady</source>
        <translation>Flackern für den ganzen Film; ohne sind Effekte stetig</translation>
    </message>
    <message>
        <source>Follows</source>
        <translation>Folgt</translation>
    </message>
    <message>
        <source>For</source>
        <translation>Für</translation>
    </message>
    <message>
        <source>Frame</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Frame offset</source>
        <translation>Bildversatz</translation>
    </message>
    <message>
        <source>Frames a second of numbered pictures and stills, which have none of their own</source>
        <translation>Bilder je Sekunde für nummerierte Bilder und Standbilder, die selbst keine haben</translation>
    </message>
    <message>
        <source>Frames from rest to the peak; 0 is at the peak at once</source>
        <translation>Bilder von der Ruhe bis zum Gipfel; 0 ist sofort am Gipfel</translation>
    </message>
    <message>
        <source>Fringe</source>
        <translation>Farbsaum</translation>
    </message>
    <message>
        <source>From</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>From the sound device to the ear; the picture waits that long while it plays</source>
        <translation>Vom Tongerät bis ans Ohr; so lange wartet das Bild beim Abspielen</translation>
    </message>
    <message>
        <source>From this distance on nothing is felt; 0 is never</source>
        <translation>Ab diesem Abstand ist nichts zu spüren; 0 ist nie</translation>
    </message>
    <message>
        <source>Roughness</source>
        <translation>Rauheit</translation>
    </message>
    <message>
        <source>Heading</source>
        <translation>Blickrichtung</translation>
    </message>
    <message>
        <source>Hidden</source>
        <translation>Verborgen</translation>
    </message>
    <message>
        <source>Hold</source>
        <translation>Halten</translation>
    </message>
    <message>
        <source>How far a corner of the picture may go, of the picture&apos;s width; 100 % is no limit</source>
        <translation>Wie weit eine Bildecke gehen darf, in Bildbreiten; 100 % ist keine Grenze</translation>
    </message>
    <message>
        <source>How far a strike may be pulled</source>
        <translation>Wie weit ein Schlag gezogen werden darf</translation>
    </message>
    <message>
        <source>How far angles may be off</source>
        <translation>Wie weit Winkel abweichen dürfen</translation>
    </message>
    <message>
        <source>How far directions are scattered to either side</source>
        <translation>Wie weit Richtungen zu beiden Seiten gestreut werden</translation>
    </message>
    <message>
        <source>How far strengths are scattered to either side</source>
        <translation>Wie weit Stärken zu beiden Seiten gestreut werden</translation>
    </message>
    <message>
        <source>How far the size may be off</source>
        <translation>Wie weit die Größe abweichen darf</translation>
    </message>
    <message>
        <source>How far x and y may be off</source>
        <translation>Wie weit x und y abweichen dürfen</translation>
    </message>
    <message>
        <source>How fast a corner may go, of the picture&apos;s width in a second; 1000 % is no limit</source>
        <translation>Wie schnell eine Ecke gehen darf, in Bildbreiten je Sekunde; 1000 % ist keine Grenze</translation>
    </message>
    <message>
        <source>How hard it hits; 100 % gives the recipe&apos;s amounts</source>
        <translation>Wie hart er trifft; 100 % ergibt die Beträge des Rezepts</translation>
    </message>
    <message>
        <source>How long after a change it is kept for the case of a crash</source>
        <translation>Wie lange nach einer Änderung sie für den Fall eines Absturzes gesichert wird</translation>
    </message>
    <message>
        <source>How long the shot is in the film</source>
        <translation>Wie lang die Einstellung im Film ist</translation>
    </message>
    <message>
        <source>How long the shutter is open for each frame; 180° is half of it, 0 is no motion blur</source>
        <translation>Wie lange der Verschluss je Bild offen ist; 180° ist die Hälfte davon, 0 ist keine Bewegungsunschärfe</translation>
    </message>
    <message>
        <source>How much of what was filmed, on all axes together; each can be set apart below</source>
        <translation>Wie viel vom Aufgenommenen, auf allen Achsen zusammen; jede lässt sich unten eigens setzen</translation>
    </message>
    <message>
        <source>How wide the picture stands before the camera, in metres or the program&apos;s units</source>
        <translation>Wie breit das Bild vor der Kamera steht, in Metern oder den Einheiten des Programms</translation>
    </message>
    <message>
        <source>Hz</source>
        <translation>Hz</translation>
    </message>
    <message>
        <source>In</source>
        <translation>In</translation>
    </message>
    <message>
        <source>Instants seen while the shutter is open; 0 takes as many as the motion needs</source>
        <translation>Momente bei offenem Verschluss; 0 nimmt so viele, wie die Bewegung braucht</translation>
    </message>
    <message>
        <source>Intensity</source>
        <translation>Intensität</translation>
    </message>
    <message>
        <source>Intermittent</source>
        <translation>Stoßweise</translation>
    </message>
    <message>
        <source>It arrives later the further it is</source>
        <translation>Es kommt später an, je ferner es ist</translation>
    </message>
    <message>
        <source>It is weaker the further it is</source>
        <translation>Es ist schwächer, je ferner es ist</translation>
    </message>
    <message>
        <source>Keep unsaved work after</source>
        <translation>Ungespeichertes sichern nach</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Knee</source>
        <translation>Knie</translation>
    </message>
    <message>
        <source>Lacunarity</source>
        <translation>Lacunarity</translation>
    </message>
    <message>
        <source>Layers</source>
        <translation>Ebenen</translation>
    </message>
    <message>
        <source>Lead</source>
        <translation>Vorlauf</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Lens</source>
        <translation>Bildwinkel</translation>
    </message>
    <message>
        <source>Letterbox</source>
        <translation>Letterbox</translation>
    </message>
    <message>
        <source>Level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <source>Level the shake settles to after the decay; 0 ends it there</source>
        <translation>Pegel, auf den sich die Erschütterung nach dem Abklingen beruhigt; 0 beendet sie dort</translation>
    </message>
    <message>
        <source>Loop</source>
        <translation>Schleife</translation>
    </message>
    <message>
        <source>MB</source>
        <translation>MB</translation>
    </message>
    <message>
        <source>Memory for frames</source>
        <translation>Speicher für Bilder</translation>
    </message>
    <message>
        <source>Metres above the camera</source>
        <translation>Meter über der Kamera</translation>
    </message>
    <message>
        <source>Metres ahead of the camera</source>
        <translation>Meter vor der Kamera</translation>
    </message>
    <message>
        <source>Metres to the right of the camera</source>
        <translation>Meter rechts der Kamera</translation>
    </message>
    <message>
        <source>Moves</source>
        <translation>Bewegt</translation>
    </message>
    <message>
        <source>Moves and rests by turns; seeded: unevenly</source>
        <translation>Bewegt sich und ruht im Wechsel; nach Startwert: ungleichmäßig</translation>
    </message>
    <message>
        <source>Mute</source>
        <translation>Stumm</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Note</translation>
    </message>
    <message>
        <source>Octaves</source>
        <translation>Oktaven</translation>
    </message>
    <message>
        <source>Of it</source>
        <translation>Davon</translation>
    </message>
    <message>
        <source>Of the camera, across the picture; 50 also shows pan and tilt as they are here</source>
        <translation>Der Kamera, über die Bildbreite; 50 zeigt auch Schwenk und Neigung so wie hier</translation>
    </message>
    <message>
        <source>Of the picture&apos;s height, from its top</source>
        <translation>Der Bildhöhe, von oben</translation>
    </message>
    <message>
        <source>Of the picture&apos;s width, from its left</source>
        <translation>Der Bildbreite, von links</translation>
    </message>
    <message>
        <source>Opacity</source>
        <translation>Deckkraft</translation>
    </message>
    <message>
        <source>Own: by its own lengths around the peak; envelope: as the strike is felt</source>
        <translation>Eigene: mit eigenen Längen um den Gipfel; Hüllkurve: so, wie der Schlag zu spüren ist</translation>
    </message>
    <message>
        <source>Picture width</source>
        <translation>Bildbreite</translation>
    </message>
    <message>
        <source>Position</source>
        <translation>Position</translation>
    </message>
    <message>
        <source>Position tolerance</source>
        <translation>Positionstoleranz</translation>
    </message>
    <message>
        <source>Rate</source>
        <translation>Frequenz</translation>
    </message>
    <message>
        <source>Rate of pictures</source>
        <translation>Bildrate von Standbildern</translation>
    </message>
    <message>
        <source>Release</source>
        <translation>Ausklang</translation>
    </message>
    <message>
        <source>Rests</source>
        <translation>Ruht</translation>
    </message>
    <message>
        <source>Rise</source>
        <translation>Anlauf</translation>
    </message>
    <message>
        <source>Roll</source>
        <translation>Roll</translation>
    </message>
    <message>
        <source>Rotation</source>
        <translation>Drehung</translation>
    </message>
    <message>
        <source>Rumble</source>
        <translation>Grollen</translation>
    </message>
    <message>
        <source>Salt</source>
        <translation>Salz</translation>
    </message>
    <message>
        <source>Seconds</source>
        <translation>Sekunden</translation>
    </message>
    <message>
        <source>Seconds from the film&apos;s start to the first beat; the grid goes on both ways from it</source>
        <translation>Sekunden vom Anfang des Films bis zum ersten Beat; das Raster geht von dort nach beiden Seiten weiter</translation>
    </message>
    <message>
        <source>Seconds the sound is laid later than it was recorded; negative is earlier</source>
        <translation>Sekunden, die der Ton später liegt als aufgenommen; negativ ist früher</translation>
    </message>
    <message>
        <source>Seed</source>
        <translation>Startwert</translation>
    </message>
    <message>
        <source>Seeded: each variation swings by phases of its own; fixed: only yours</source>
        <translation>Nach Startwert: jede Variante schwingt mit eigenen Phasen; fest: nur mit Ihren</translation>
    </message>
    <message>
        <source>Sensitivity</source>
        <translation>Empfindlichkeit</translation>
    </message>
    <message>
        <source>Settle</source>
        <translation>Ruhe</translation>
    </message>
    <message>
        <source>Share of critical damping; less rebounds more</source>
        <translation>Teil der kritischen Dämpfung; weniger prallt mehr zurück</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Size tolerance</source>
        <translation>Größentoleranz</translation>
    </message>
    <message>
        <source>Solo</source>
        <translation>Solo</translation>
    </message>
    <message>
        <source>Sound</source>
        <translation>Ton</translation>
    </message>
    <message>
        <source>Sound arrives late by</source>
        <translation>Ton kommt später um</translation>
    </message>
    <message>
        <source>Sounds</source>
        <translation>Töne</translation>
    </message>
    <message>
        <source>Source</source>
        <translation>Quelle</translation>
    </message>
    <message>
        <source>Speed</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>Start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>Streak</source>
        <translation>Schliere</translation>
    </message>
    <message>
        <source>Strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>Strengths</source>
        <translation>Stärken</translation>
    </message>
    <message>
        <source>Swing: gently the other way and back; build: ever faster up to the strike, to throw a cut</source>
        <translation>Schwung: sanft in die andere Richtung und zurück; Aufbau: immer schneller auf den Schlag zu, um einen Schnitt zu werfen</translation>
    </message>
    <message>
        <source>Swings after which the noise repeats without a seam; 0 never</source>
        <translation>Schwingungen, nach denen sich das Rauschen nahtlos wiederholt; 0 nie</translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>The MIDI note that strikes it; -1 is none: then notes take pads in their order</source>
        <translation>Die MIDI-Note, die es schlägt; -1 ist keine: dann nehmen Noten die Pads der Reihe nach</translation>
    </message>
    <message>
        <source>The blow comes from there instead of by the direction</source>
        <translation>Der Stoß kommt von dort statt nach der Richtung</translation>
    </message>
    <message>
        <source>The clip&apos;s frame that is shown first; the length stays</source>
        <translation>Das Bild des Clips, das zuerst gezeigt wird; die Länge bleibt</translation>
    </message>
    <message>
        <source>The first frame that is kept</source>
        <translation>Das erste Bild, das behalten wird</translation>
    </message>
    <message>
        <source>The frame it hits, counted from 0</source>
        <translation>Das Bild, auf dem er einschlägt, ab 0 gezählt</translation>
    </message>
    <message>
        <source>The frame it stands on, counted from 0</source>
        <translation>Das Bild, auf dem er steht, ab 0 gezählt</translation>
    </message>
    <message>
        <source>The frame on show. Type a frame, or a timecode (0:05:06), to go there (Ctrl+J)</source>
        <translation>Das gezeigte Bild. Ein Bild oder einen Timecode (0:05:06) eingeben, um dorthin zu gehen (Ctrl+J)</translation>
    </message>
    <message>
        <source>The last frame that is kept</source>
        <translation>Das letzte Bild, das behalten wird</translation>
    </message>
    <message>
        <source>The number the motion grows from; the same number gives the same shake</source>
        <translation>Die Zahl, aus der die Bewegung wächst; dieselbe Zahl ergibt dieselbe Erschütterung</translation>
    </message>
    <message>
        <source>The picture shakes {} of the time; all of that follows a strike within a second.</source>
        <translation>Das Bild wackelt {} der Zeit; das alles folgt binnen einer Sekunde auf einen Schlag.</translation>
    </message>
    <message>
        <source>Time from the first row to the last, as a small camera reads them; 0 is all at once</source>
        <translation>Zeit von der ersten Zeile zur letzten, wie eine kleine Kamera sie liest; 0 ist alle zugleich</translation>
    </message>
    <message>
        <source>Travels</source>
        <translation>Ausbreitung</translation>
    </message>
    <message>
        <source>Unevenness</source>
        <translation>Ungleichmaß</translation>
    </message>
    <message>
        <source>Up to this distance a strike has its full strength; from there on it falls</source>
        <translation>Bis zu diesem Abstand hat ein Schlag seine volle Stärke; von da an fällt sie</translation>
    </message>
    <message>
        <source>Variation</source>
        <translation>Variante</translation>
    </message>
    <message>
        <source>Wave</source>
        <translation>Wellenform</translation>
    </message>
    <message>
        <source>What strikes of this pad are called</source>
        <translation>Wie Schläge dieses Pads heißen</translation>
    </message>
    <message>
        <source>Width to height of what the bars leave; 0 is no bars</source>
        <translation>Breite zu Höhe dessen, was die Balken frei lassen; 0 ist keine Balken</translation>
    </message>
    <message>
        <source>Within</source>
        <translation>Binnen</translation>
    </message>
    <message>
        <source>a minute</source>
        <translation>je Minute</translation>
    </message>
    <message>
        <source>add</source>
        <translation>addieren</translation>
    </message>
    <message>
        <source>air</source>
        <translation>Luft</translation>
    </message>
    <message>
        <source>around it</source>
        <translation>um sie herum</translation>
    </message>
    <message>
        <source>at the camera</source>
        <translation>an der Kamera</translation>
    </message>
    <message>
        <source>at_once</source>
        <translation>sofort</translation>
    </message>
    <message>
        <source>beat</source>
        <translation>Beat</translation>
    </message>
    <message>
        <source>beats</source>
        <translation>Beats</translation>
    </message>
    <message>
        <source>blast</source>
        <translation>Explosion</translation>
    </message>
    <message>
        <source>boom</source>
        <translation>Wumms</translation>
    </message>
    <message>
        <source>breathing</source>
        <translation>atmend</translation>
    </message>
    <message>
        <source>build</source>
        <translation>Aufbau</translation>
    </message>
    <message>
        <source>captured</source>
        <translation>aufgenommen</translation>
    </message>
    <message>
        <source>centre</source>
        <translation>Mitte</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>constant</source>
        <translation>konstant</translation>
    </message>
    <message>
        <source>contact</source>
        <translation>Kontakt</translation>
    </message>
    <message>
        <source>crack</source>
        <translation>Krachen</translation>
    </message>
    <message>
        <source>curvature</source>
        <translation>Krümmung</translation>
    </message>
    <message>
        <source>cut</source>
        <translation>Schnitt</translation>
    </message>
    <message>
        <source>dB</source>
        <translation>dB</translation>
    </message>
    <message>
        <source>drawn</source>
        <translation>gezeichnet</translation>
    </message>
    <message>
        <source>each</source>
        <translation>jeder</translation>
    </message>
    <message>
        <source>ease</source>
        <translation>weich</translation>
    </message>
    <message>
        <source>envelope</source>
        <translation>Hüllkurve</translation>
    </message>
    <message>
        <source>exponential</source>
        <translation>exponentiell</translation>
    </message>
    <message>
        <source>extend</source>
        <translation>verlängert</translation>
    </message>
    <message>
        <source>file</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>first_moved</source>
        <translation>erstes bewegtes</translation>
    </message>
    <message>
        <source>fixed</source>
        <translation>fest</translation>
    </message>
    <message>
        <source>fps</source>
        <translation>fps</translation>
    </message>
    <message>
        <source>frames</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>ground</source>
        <translation>Boden</translation>
    </message>
    <message>
        <source>hit</source>
        <translation>Treffer</translation>
    </message>
    <message>
        <source>in the picture</source>
        <translation>im Bild</translation>
    </message>
    <message>
        <source>jitter</source>
        <translation>Zittern</translation>
    </message>
    <message>
        <source>kick</source>
        <translation>Stoß</translation>
    </message>
    <message>
        <source>landing</source>
        <translation>Landung</translation>
    </message>
    <message>
        <source>length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>linear</source>
        <translation>linear</translation>
    </message>
    <message>
        <source>m</source>
        <translation>m</translation>
    </message>
    <message>
        <source>m/s</source>
        <translation>m/s</translation>
    </message>
    <message>
        <source>mirror</source>
        <translation>gespiegelt</translation>
    </message>
    <message>
        <source>mix</source>
        <translation>mischen</translation>
    </message>
    <message>
        <source>motion</source>
        <translation>Bewegung</translation>
    </message>
    <message>
        <source>ms</source>
        <translation>ms</translation>
    </message>
    <message>
        <source>next_strike</source>
        <translation>nächster Schlag</translation>
    </message>
    <message>
        <source>noise</source>
        <translation>Rauschen</translation>
    </message>
    <message>
        <source>none</source>
        <translation>ohne</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>on</source>
        <translation>an</translation>
    </message>
    <message>
        <source>oscillation</source>
        <translation>Schwingung</translation>
    </message>
    <message>
        <source>own</source>
        <translation>eigene</translation>
    </message>
    <message>
        <source>pan</source>
        <translation>Schwenk</translation>
    </message>
    <message>
        <source>peak</source>
        <translation>Gipfel</translation>
    </message>
    <message>
        <source>plain</source>
        <translation>Farbfläche</translation>
    </message>
    <message>
        <source>power</source>
        <translation>Potenz</translation>
    </message>
    <message>
        <source>px</source>
        <translation>px</translation>
    </message>
    <message>
        <source>restart</source>
        <translation>neu</translation>
    </message>
    <message>
        <source>ring</source>
        <translation>Ring</translation>
    </message>
    <message>
        <source>roll</source>
        <translation>Roll</translation>
    </message>
    <message>
        <source>s</source>
        <translation>s</translation>
    </message>
    <message>
        <source>same</source>
        <translation>gleich</translation>
    </message>
    <message>
        <source>seeded</source>
        <translation>Startwert</translation>
    </message>
    <message>
        <source>set</source>
        <translation>fest</translation>
    </message>
    <message>
        <source>shot_end</source>
        <translation>Ende der Einstellung</translation>
    </message>
    <message>
        <source>sine</source>
        <translation>Sinus</translation>
    </message>
    <message>
        <source>square</source>
        <translation>Rechteck</translation>
    </message>
    <message>
        <source>stronger</source>
        <translation>stärkster</translation>
    </message>
    <message>
        <source>sub</source>
        <translation>Sub</translation>
    </message>
    <message>
        <source>swing</source>
        <translation>Schwung</translation>
    </message>
    <message>
        <source>swings</source>
        <translation>Schwünge</translation>
    </message>
    <message>
        <source>thump</source>
        <translation>Schlag</translation>
    </message>
    <message>
        <source>tilt</source>
        <translation>Neigung</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <source>transparent</source>
        <translation>durchsichtig</translation>
    </message>
    <message>
        <source>triangle</source>
        <translation>Dreieck</translation>
    </message>
    <message>
        <source>whoosh</source>
        <translation>Zischen</translation>
    </message>
    <message>
        <source>wrap</source>
        <translation>gekachelt</translation>
    </message>
    <message>
        <source>x</source>
        <translation>x</translation>
    </message>
    <message>
        <source>y</source>
        <translation>y</translation>
    </message>
    <message>
        <source>z</source>
        <translation>z</translation>
    </message>
    <message>
        <source>zoom</source>
        <translation>Zoom</translation>
    </message>
    <message>
        <source>°</source>
        <translation>°</translation>
    </message>
    <message>
        <source>°/s</source>
        <translation>°/s</translation>
    </message>
    <message>
        <source>Frame on show</source>
        <translation>Gezeigtes Bild</translation>
    </message>
    <message>
        <source>Frames from the rumble back to exact rest</source>
        <translation>Bilder vom Grollen zurück zur genauen Ruhe</translation>
    </message>
    <message>
        <source>Family of the return to rest</source>
        <translation>Art des Heimwegs</translation>
    </message>
    <message>
        <source>Frames of the return to rest</source>
        <translation>Bilder des Heimwegs</translation>
    </message>
    <message>
        <source>Easing to the next key</source>
        <translation>Wie es zum nächsten Key weitergeht</translation>
    </message>
    <message>
        <source>The sound of the strike</source>
        <translation>Was bei einem Schlag zu hören ist</translation>
    </message>
    <message>
        <source>At the camera: full strength, no delay; around it: a position in metres; in the picture: a point and its distance</source>
        <translation>An der Kamera: so stark und so bald wie gesetzt; um sie herum: Meter; im Bild: ein Punkt, der zu sehen ist, und wie weit er weg ist</translation>
    </message>
    <message>
        <source>Bend of the return to rest; 0 is straight</source>
        <translation>Biegung des Heimwegs; 0 ist gerade</translation>
    </message>
    <message>
        <source>0 finds only what stands out most, 100 everything</source>
        <translation>Wie wenig genügt: 0 nur das Auffälligste, 100 alles</translation>
    </message>
    <message>
        <source>Fewest frames between two proposals</source>
        <translation>Bilder, die zwei Vorschläge mindestens trennen</translation>
    </message>
    <message>
        <source>Motion of fewer pixels a frame is not blurred; 0 blurs every motion</source>
        <translation>Pixel je Bild, unter denen nichts unscharf wird; 0 macht jede Bewegung unscharf</translation>
    </message>
    <message>
        <source>Upper limit of strikes added together; a single strike may be stronger</source>
        <translation>Worunter Schläge zusammen bleiben; ein einzelner darf stärker sein</translation>
    </message>
    <message>
        <source>Motion slower than this is left out: intended pans</source>
        <translation>Was länger dauert, wird weggelassen: Schwenks, die gewollt waren</translation>
    </message>
    <message>
        <source>How strongly it is felt, over frames from the strike</source>
        <translation>Wie stark er zu spüren ist, über Bilder vom Schlag an</translation>
    </message>
    <message>
        <source>The curves are the whole motion: frames from the strike, no envelope, no rate, the same for each seed</source>
        <translation>Die Kurven sind die ganze Bewegung: Bilder vom Schlag an, keine Hüllkurve, keine Rate, für jeden Seed gleich</translation>
    </message>
    <message>
        <source>Play rate</source>
        <translation>Abspielrate</translation>
    </message>
    <message>
        <source>How fast all of it goes by: shape, rates, keys and light</source>
        <translation>Wie schnell alles davon abläuft: Form, Raten, Keys und Licht</translation>
    </message>
    <message>
        <source>What zoom and roll go about: the frame&apos;s middle, a point, the strike&apos;s place, or a point followed in the clip</source>
        <translation>Worum Zoom und Roll gehen: die Bildmitte, ein Punkt, der Ort des Schlags oder ein im Clip verfolgter Punkt</translation>
    </message>
    <message>
        <source>Pivot x</source>
        <translation>Drehpunkt x</translation>
    </message>
    <message>
        <source>From the left, of the frame&apos;s width</source>
        <translation>Von links, Anteil der Bildbreite</translation>
    </message>
    <message>
        <source>Pivot y</source>
        <translation>Drehpunkt y</translation>
    </message>
    <message>
        <source>From the top, of the frame&apos;s height</source>
        <translation>Von oben, Anteil der Bildhöhe</translation>
    </message>
    <message>
        <source>Along a line</source>
        <translation>Auf einer Linie</translation>
    </message>
    <message>
        <source>x and y together along one line, both ways: along the strike&apos;s direction, or at a set angle</source>
        <translation>x und y zusammen auf einer Linie, hin und zurück: in der Richtung des Schlags oder in einem festen Winkel</translation>
    </message>
    <message>
        <source>Line angle</source>
        <translation>Winkel der Linie</translation>
    </message>
    <message>
        <source>0 right, 90 down</source>
        <translation>0 rechts, 90 unten</translation>
    </message>
    <message>
        <source>Back to rest</source>
        <translation>Zurück zur Ruhe</translation>
    </message>
    <message>
        <source>The film&apos;s end meets its beginning without a seam</source>
        <translation>Das Ende des Films trifft seinen Anfang ohne Naht</translation>
    </message>
    <message>
        <source>there are no keys in it</source>
        <translation>darin sind keine Keys</translation>
    </message>
    <message>
        <source>FRAME:RATIO:EASE,…, such as 0:1:smooth,48:0.5</source>
        <translation>FRAME:RATIO:EASE,…, etwa 0:1:smooth,48:0.5</translation>
    </message>
    <message>
        <source>FRAME:cut or FRAME:ease:FRAMES, with :strike.N or :group.NAME behind it for these alone</source>
        <translation>FRAME:cut oder FRAME:ease:FRAMES, mit :strike.N oder :group.NAME dahinter nur für diese</translation>
    </message>
    <message>
        <source>of strikes 1 to {}</source>
        <translation>von den Schlägen 1 bis {}</translation>
    </message>
    <message>
        <source>none, or FRAME:VALUE:EASE,…, with curve as its ease also :IN:OUT</source>
        <translation>none oder FRAME:VALUE:EASE,…, mit curve als Ease auch :IN:OUT</translation>
    </message>
    <message>
        <source>keys with values from {} to {}</source>
        <translation>Keys mit Werten von {} bis {}</translation>
    </message>
    <message>
        <source>name strike {}, which there is not</source>
        <translation>nennen Schlag {}, den es nicht gibt</translation>
    </message>
    <message>
        <source>a point is followed over two frames or more of a moving picture</source>
        <translation>ein Punkt wird über zwei oder mehr Bilder eines Films verfolgt</translation>
    </message>
    <message>
        <source>what is around the point cannot be followed: it is flat or dark</source>
        <translation>was um den Punkt liegt, lässt sich nicht verfolgen: es ist flach oder dunkel</translation>
    </message>
    <message>
        <source>Pivot</source>
        <translation>Drehpunkt</translation>
    </message>
    <message>
        <source>middle</source>
        <translation>Mitte</translation>
    </message>
    <message>
        <source>point</source>
        <translation>Punkt</translation>
    </message>
    <message>
        <source>place</source>
        <translation>Ort</translation>
    </message>
    <message>
        <source>followed</source>
        <translation>verfolgt</translation>
    </message>
    <message>
        <source>The frame the key stands on</source>
        <translation>Das Bild, auf dem der Key steht</translation>
    </message>
    <message>
        <source>The key&apos;s value, in the unit of the curve</source>
        <translation>Der Wert des Keys, in der Einheit der Kurve</translation>
    </message>
    <message>
        <source>Value</source>
        <translation>Wert</translation>
    </message>
    <message>
        <source>direction</source>
        <translation>Richtung</translation>
    </message>
    <message>
        <source>How long the shutter is open for each frame; 180° is half of it, 0 is no motion blur, more than 360° sees its neighbours too</source>
        <translation>Wie lange der Verschluss für jedes Bild offen ist; 180° ist die Hälfte, 0 ist keine Bewegungsunschärfe, mehr als 360° sieht auch die Nachbarn</translation>
    </message>
    <message>
        <source>Frames in which an axis goes back to rest after its last key; 0 jumps</source>
        <translation>Bilder, in denen eine Achse nach ihrem letzten Key zur Ruhe zurückgeht; 0 springt</translation>
    </message>
    <message>
        <source>has no {}: read as black</source>
        <translation>hat kein {}: als Schwarz gelesen</translation>
    </message>
    <message>
        <source>names primaries that are not known here: read as BT.709</source>
        <translation>nennt Grundfarben, die hier nicht bekannt sind: als BT.709 gelesen</translation>
    </message>
    <message>
        <source>it has no flat picture</source>
        <translation>darin ist kein flaches Bild</translation>
    </message>
    <message>
        <source>it has no channels R, G, B or Y, only {}</source>
        <translation>es hat keine Kanäle R, G, B oder Y, nur {}</translation>
    </message>
    <message>
        <source>its windows have impossible sizes</source>
        <translation>seine Fenster haben unmögliche Größen</translation>
    </message>
    <message>
        <source>films are not written in the clip&apos;s own coding, {}; choose another</source>
        <translation>in der Codierung des Clips, {}, werden keine Filme geschrieben; eine andere wählen</translation>
    </message>
    <message>
        <source>its coder has no pixels of the kind {}; choose another</source>
        <translation>diese Codierung hat keine Pixel der Art {}; eine andere wählen</translation>
    </message>
    <message>
        <source>{} does not go into this kind of file</source>
        <translation>{} passt nicht in diese Art von Datei</translation>
    </message>
    <message>
        <source>The clip holds light of any brightness, the film codes up to white: what is brighter is cut off. OpenEXR (.exr) keeps it.</source>
        <translation>Der Clip enthält Licht jeder Helligkeit, der Film nur bis Weiß: was heller ist, wird abgeschnitten. OpenEXR (.exr) behält es.</translation>
    </message>
    <message>
        <source>The film is {}.</source>
        <translation>Der Film ist {}.</translation>
    </message>
    <message>
        <source>Its clips have different colour spaces; all are brought into the first one&apos;s, {}.</source>
        <translation>Die Clips haben verschiedene Farbräume; alle werden in den des ersten gebracht: {}.</translation>
    </message>
    <message>
        <source>films end in .mp4, .mkv, .webm, .mov or .gif, numbered pictures in .png, .tif, .dpx, .exr or a folder</source>
        <translation>Filme enden auf .mp4, .mkv, .webm, .mov oder .gif, nummerierte Bilder auf .png, .tif, .dpx, .exr oder einen Ordner</translation>
    </message>
    <message>
        <source>usual for this kind</source>
        <translation>für diese Art üblich</translation>
    </message>
    <message>
        <source>H.264, 8 bits</source>
        <translation>H.264, 8 Bit</translation>
    </message>
    <message>
        <source>H.264, 10 bits</source>
        <translation>H.264, 10 Bit</translation>
    </message>
    <message>
        <source>HEVC, 8 bits</source>
        <translation>HEVC, 8 Bit</translation>
    </message>
    <message>
        <source>HEVC, 10 bits</source>
        <translation>HEVC, 10 Bit</translation>
    </message>
    <message>
        <source>HEVC, 12 bits</source>
        <translation>HEVC, 12 Bit</translation>
    </message>
    <message>
        <source>AV1, 10 bits</source>
        <translation>AV1, 10 Bit</translation>
    </message>
    <message>
        <source>VP9, 8 bits</source>
        <translation>VP9, 8 Bit</translation>
    </message>
    <message>
        <source>VP9, 10 bits</source>
        <translation>VP9, 10 Bit</translation>
    </message>
    <message>
        <source>ProRes 422</source>
        <translation>ProRes 422</translation>
    </message>
    <message>
        <source>ProRes 422 HQ</source>
        <translation>ProRes 422 HQ</translation>
    </message>
    <message>
        <source>ProRes 4444, with alpha</source>
        <translation>ProRes 4444, mit Alpha</translation>
    </message>
    <message>
        <source>DNxHR HQX</source>
        <translation>DNxHR HQX</translation>
    </message>
    <message>
        <source>FFV1, lossless RGB</source>
        <translation>FFV1, verlustfreies RGB</translation>
    </message>
    <message>
        <source>as the clip came</source>
        <translation>wie der Clip kam</translation>
    </message>
    <message>
        <source>which is pictures</source>
        <translation>nämlich Bilder</translation>
    </message>
    <message>
        <source>linear light</source>
        <translation>lineares Licht</translation>
    </message>
    <message>
        <source>Of the size that just fills the frame</source>
        <translation>Von der Größe, die den Rahmen gerade füllt</translation>
    </message>
    <message>
        <source>From the frame&apos;s middle to the picture&apos;s, down</source>
        <translation>Von der Mitte des Rahmens zu der des Bildes, nach unten</translation>
    </message>
    <message>
        <source>From the frame&apos;s middle to the picture&apos;s, to the right</source>
        <translation>Von der Mitte des Rahmens zu der des Bildes, nach rechts</translation>
    </message>
    <message>
        <source>How the clip&apos;s picture lies in the frame: it fills it, all of it fits in with black around it, or it is placed by hand</source>
        <translation>Wie das Bild des Clips im Rahmen liegt: es füllt ihn, es passt ganz hinein mit Schwarz darum, oder es liegt von Hand</translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>fit</source>
        <translation>einpassen</translation>
    </message>
    <message>
        <source>fill</source>
        <translation>füllen</translation>
    </message>
    <message>
        <source>placed</source>
        <translation>platziert</translation>
    </message>
    <message>
        <source>acescg</source>
        <translation>ACEScg</translation>
    </message>
    <message>
        <source>linear_bt2020</source>
        <translation>BT.2020 linear</translation>
    </message>
    <message>
        <source>linear_bt709</source>
        <translation>BT.709 linear</translation>
    </message>
    <message>
        <source>hlg</source>
        <translation>HLG</translation>
    </message>
    <message>
        <source>pq</source>
        <translation>PQ</translation>
    </message>
    <message>
        <source>display_p3</source>
        <translation>Display P3</translation>
    </message>
    <message>
        <source>bt2020</source>
        <translation>BT.2020</translation>
    </message>
    <message>
        <source>bt709</source>
        <translation>BT.709</translation>
    </message>
    <message>
        <source>as_tagged</source>
        <translation>wie angegeben</translation>
    </message>
    <message>
        <source>The colour space the clip is read in, where its file tells none or a wrong one</source>
        <translation>Der Farbraum, in dem der Clip gelesen wird, wo die Datei keinen oder einen falschen nennt</translation>
    </message>
    <message>
        <source>Exposure kicks for the whole film</source>
        <translation>Belichtungsstöße für den ganzen Film</translation>
    </message>
    <message>
        <source>Impact frames for the whole film</source>
        <translation>Einschlagbilder für den ganzen Film</translation>
    </message>
    <message>
        <source>Defocus for the whole film</source>
        <translation>Unschärfe für den ganzen Film</translation>
    </message>
    <message>
        <source>Ripples for the whole film</source>
        <translation>Druckwellen für den ganzen Film</translation>
    </message>
    <message>
        <source>Grain bursts for the whole film</source>
        <translation>Kornstöße für den ganzen Film</translation>
    </message>
    <message>
        <source>How much brighter the picture is at the peak; below 0 it is darker</source>
        <translation>Um wie viel heller das Bild am Höhepunkt ist; unter 0 ist es dunkler</translation>
    </message>
    <message>
        <source>How much of the picture is replaced by its graphic version</source>
        <translation>Wie viel vom Bild durch seine grafische Fassung ersetzt wird</translation>
    </message>
    <message>
        <source>Contrast: hard light and dark; invert: a negative; two tone: two colours</source>
        <translation>Kontrast: hartes Hell und Dunkel; Negativ: umgekehrt; zwei Töne: zwei Farben</translation>
    </message>
    <message>
        <source>Brightness between dark and light</source>
        <translation>Helligkeit zwischen Dunkel und Hell</translation>
    </message>
    <message>
        <source>How far from the threshold it is fully dark or light; 0 is at once</source>
        <translation>Wie weit von der Schwelle es ganz dunkel oder hell ist; 0 ist sofort</translation>
    </message>
    <message>
        <source>Colour of what is dark</source>
        <translation>Farbe dessen, was dunkel ist</translation>
    </message>
    <message>
        <source>Colour of what is light</source>
        <translation>Farbe dessen, was hell ist</translation>
    </message>
    <message>
        <source>Radius of the disc that a point becomes at the peak</source>
        <translation>Radius der Scheibe, zu der ein Punkt am Höhepunkt wird</translation>
    </message>
    <message>
        <source>How far the ring pushes the picture outwards at the peak; less at the frame&apos;s border</source>
        <translation>Wie weit der Ring das Bild am Höhepunkt nach außen schiebt; weniger am Bildrand</translation>
    </message>
    <message>
        <source>A point of the frame, or where the strike&apos;s place is seen</source>
        <translation>Ein Punkt im Bild oder dort, wo der Ort des Schlags zu sehen ist</translation>
    </message>
    <message>
        <source>How fast the ring runs outwards, from the strike&apos;s onset on</source>
        <translation>Wie schnell der Ring nach außen läuft, vom Einsatz des Schlags an</translation>
    </message>
    <message>
        <source>From the middle of the ring to where it ends on either side</source>
        <translation>Von der Mitte des Rings bis dorthin, wo er nach beiden Seiten endet</translation>
    </message>
    <message>
        <source>How much the light varies at the peak</source>
        <translation>Wie stark das Licht am Höhepunkt schwankt</translation>
    </message>
    <message>
        <source>How large a grain is</source>
        <translation>Wie groß ein Korn ist</translation>
    </message>
    <message>
        <source>Red, green and blue have grain of their own</source>
        <translation>Rot, Grün und Blau haben eigenes Korn</translation>
    </message>
    <message>
        <source>Impact frames are on these frames only</source>
        <translation>Einschlagbilder nur auf diesen Bildern</translation>
    </message>
    <message>
        <source>The defocus flickers</source>
        <translation>Die Unschärfe flackert</translation>
    </message>
    <message>
        <source>The ripple flickers</source>
        <translation>Die Druckwelle flackert</translation>
    </message>
    <message>
        <source>The grain flickers</source>
        <translation>Das Korn flackert</translation>
    </message>
    <message>
        <source>Impact frames flicker</source>
        <translation>Einschlagbilder flackern</translation>
    </message>
    <message>
        <source>Defocus flickers</source>
        <translation>Unschärfe flackert</translation>
    </message>
    <message>
        <source>Ripple flickers</source>
        <translation>Druckwelle flackert</translation>
    </message>
    <message>
        <source>Grain flickers</source>
        <translation>Korn flackert</translation>
    </message>
    <message>
        <source>Impact frames</source>
        <translation>Einschlagbilder</translation>
    </message>
    <message>
        <source>Defocus</source>
        <translation>Unschärfe</translation>
    </message>
    <message>
        <source>Ripple</source>
        <translation>Druckwelle</translation>
    </message>
    <message>
        <source>Grain</source>
        <translation>Korn</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Aussehen</translation>
    </message>
    <message>
        <source>Threshold</source>
        <translation>Schwelle</translation>
    </message>
    <message>
        <source>Softness</source>
        <translation>Weichheit</translation>
    </message>
    <message>
        <source>Dark</source>
        <translation>Dunkel</translation>
    </message>
    <message>
        <source>Light</source>
        <translation>Hell</translation>
    </message>
    <message>
        <source>Ring speed</source>
        <translation>Ringtempo</translation>
    </message>
    <message>
        <source>Ring width</source>
        <translation>Ringbreite</translation>
    </message>
    <message>
        <source>Grain size</source>
        <translation>Korngröße</translation>
    </message>
    <message>
        <source>In colour</source>
        <translation>Farbig</translation>
    </message>
    <message>
        <source>stops</source>
        <translation>Blenden</translation>
    </message>
    <message>
        <source>contrast</source>
        <translation>Kontrast</translation>
    </message>
    <message>
        <source>invert</source>
        <translation>Negativ</translation>
    </message>
    <message>
        <source>two_tone</source>
        <translation>zwei Töne</translation>
    </message>
    <message>
        <source>A ripple pushes parts of the picture by at most {} of its width, on frame {}.</source>
        <translation>Eine Druckwelle schiebt Teile des Bildes um höchstens {} seiner Breite, auf Bild {}.</translation>
    </message>
    <message>
        <source>Whether it keeps flashes, exposure, impact frames, defocus, ripples, grain and effects that flicker</source>
        <translation>Ob sie Blitze, Belichtung, Einschlagbilder, Unschärfe, Druckwellen, Korn und flackernde Effekte behält</translation>
    </message>
    <message>
        <source>Its sound was copied as it is.</source>
        <translation>Sein Ton wurde unverändert übernommen.</translation>
    </message>
    <message>
        <source>{} of {} sounds were copied as they are.</source>
        <translation>{} von {} Tonspuren wurden unverändert übernommen.</translation>
    </message>
    <message>
        <source>{} sounds go along.</source>
        <translation>{} Tonspuren gehen mit.</translation>
    </message>
    <message>
        <source>two films of one render need two names</source>
        <translation>zwei Filme eines Durchgangs brauchen zwei Namen</translation>
    </message>
    <message>
        <source>its name should have 1 to {} letters</source>
        <translation>sein Name sollte 1 bis {} Zeichen haben</translation>
    </message>
    <message>
        <source>no kind of film ends in {}</source>
        <translation>keine Art von Film endet auf {}</translation>
    </message>
    <message>
        <source>its size should be {} to {}</source>
        <translation>seine Größe sollte {} bis {} sein</translation>
    </message>
    <message>
        <source>preset {}: {}</source>
        <translation>Vorgabe {}: {}</translation>
    </message>
    <message>
        <source>it is JSON, but holds no output presets</source>
        <translation>es ist JSON, enthält aber keine Ausgabevorgaben</translation>
    </message>
    <message>
        <source>it has format version {}, and this program reads version 1</source>
        <translation>es hat Formatversion {}, und dieses Programm liest Version 1</translation>
    </message>
    <message>
        <source>output presets</source>
        <translation>Ausgabevorgaben</translation>
    </message>
    <message>
        <source>ZIP, 16 rows at a time</source>
        <translation>ZIP, je 16 Zeilen</translation>
    </message>
    <message>
        <source>ZIPS, row by row</source>
        <translation>ZIPS, Zeile für Zeile</translation>
    </message>
    <message>
        <source>PIZ, for grain</source>
        <translation>PIZ, für Korn</translation>
    </message>
    <message>
        <source>not compressed</source>
        <translation>unkomprimiert</translation>
    </message>
    <message>
        <source>DWAA, lossy</source>
        <translation>DWAA, verlustbehaftet</translation>
    </message>
    <message>
        <source>RLE</source>
        <translation>RLE</translation>
    </message>
    <message>
        <source>The exposure kick flickers</source>
        <translation>Der Belichtungsstoß flackert</translation>
    </message>
    <message>
        <source>Exposure kick flickers</source>
        <translation>Belichtungsstoß flackert</translation>
    </message>
    <message>
        <source>Exposure kick</source>
        <translation>Belichtungsstoß</translation>
    </message>
    <message>
        <source>OpenEXR holds pictures of light only</source>
        <translation>OpenEXR enthält nur Bilder aus Licht</translation>
    </message>
    <message>
        <source>px/s</source>
        <translation>px/s</translation>
    </message>
    <message>
        <source>it has no colour space</source>
        <translation>sie hat keinen Farbraum</translation>
    </message>
    <message>
        <source>it has no display</source>
        <translation>sie hat keine Anzeige</translation>
    </message>
    <message>
        <source>{} is not quite right: {}</source>
        <translation>{} ist nicht ganz in Ordnung: {}</translation>
    </message>
    <message>
        <source>a colour config</source>
        <translation>eine Farbkonfiguration</translation>
    </message>
    <message>
        <source>it is no config of OpenColorIO: {}</source>
        <translation>es ist keine Konfiguration von OpenColorIO: {}</translation>
    </message>
    <message>
        <source>this variable of the environment names no config</source>
        <translation>diese Umgebungsvariable nennt keine Konfiguration</translation>
    </message>
    <message>
        <source>it has no colour space {}</source>
        <translation>sie hat keinen Farbraum {}</translation>
    </message>
    <message>
        <source>{} in it is made of itself</source>
        <translation>{} darin besteht aus sich selbst</translation>
    </message>
    <message>
        <source>it has too many steps</source>
        <translation>sie hat zu viele Schritte</translation>
    </message>
    <message>
        <source>its table {} is not a file that can be read</source>
        <translation>ihre Tabelle {} ist keine lesbare Datei</translation>
    </message>
    <message>
        <source>its table {} is too large</source>
        <translation>ihre Tabelle {} ist zu groß</translation>
    </message>
    <message>
        <source>The config has no colour space that is known to be {}: {} is taken to be {}. Choose another for its shot.</source>
        <translation>Die Konfiguration hat keinen Farbraum, der als {} bekannt ist: {} gilt als {}. Wählen Sie für die Einstellung einen anderen.</translation>
    </message>
    <message>
        <source>The config has no colour space {}: the first clip&apos;s is taken.</source>
        <translation>Die Konfiguration hat keinen Farbraum {}: der des ersten Clips gilt.</translation>
    </message>
    <message>
        <source>The config has no colour space {}: {} is taken.</source>
        <translation>Die Konfiguration hat keinen Farbraum {}: {} gilt.</translation>
    </message>
    <message>
        <source>The config has no {} for the view: its own is taken.</source>
        <translation>Die Konfiguration hat kein {} für die Ansicht: ihr eigenes gilt.</translation>
    </message>
    <message>
        <source>The config does not tell what {} is: colours of flashes, edges and layers are taken for its own.</source>
        <translation>Die Konfiguration sagt nicht, was {} ist: Farben von Blitzen, Rändern und Ebenen gelten als seine eigenen.</translation>
    </message>
    <message>
        <source>The working space {} is not linear: blur and light are added up in codes.</source>
        <translation>Der Arbeitsfarbraum {} ist nicht linear: Unschärfe und Licht werden in Codes summiert.</translation>
    </message>
    <message>
        <source>PQ shown as SDR</source>
        <translation>PQ als SDR gezeigt</translation>
    </message>
    <message>
        <source>HLG shown as SDR</source>
        <translation>HLG als SDR gezeigt</translation>
    </message>
    <message>
        <source>The film is in the colour space {}, which no tag of a film has a number for.</source>
        <translation>Der Film ist im Farbraum {}, für den keine Angabe eines Films eine Nummer hat.</translation>
    </message>
    <message>
        <source>The film is in the colour space {}.</source>
        <translation>Der Film ist im Farbraum {}.</translation>
    </message>
    <message>
        <source>the colour config of the project</source>
        <translation>die Farbkonfiguration des Projekts</translation>
    </message>
    <message>
        <source>should be the path of a colour config</source>
        <translation>sollte der Pfad einer Farbkonfiguration sein</translation>
    </message>
    <message>
        <source>There is no folder for proxies: neither XDG_CACHE_HOME nor HOME names one.</source>
        <translation>Es gibt keinen Ordner für Proxys: weder XDG_CACHE_HOME noch HOME nennt einen.</translation>
    </message>
    <message>
        <source>A still is read once and needs no proxy.</source>
        <translation>Ein Standbild wird einmal gelesen und braucht keinen Proxy.</translation>
    </message>
    <message>
        <source>A proxy holds no light above white: OpenEXR plays from its own files.</source>
        <translation>Ein Proxy hält kein Licht über Weiß: OpenEXR spielt aus seinen eigenen Dateien.</translation>
    </message>
    <message>
        <source>The proxy</source>
        <translation>Der Proxy</translation>
    </message>
    <message>
        <source>Easing from the key before to the next</source>
        <translation>Wie es vom Key davor zum nächsten weitergeht</translation>
    </message>
    <message>
        <source>hold</source>
        <translation>halten</translation>
    </message>
    <message>
        <source>in</source>
        <translation>beschleunigt</translation>
    </message>
    <message>
        <source>out</source>
        <translation>bremst</translation>
    </message>
    <message>
        <source>smooth</source>
        <translation>weich</translation>
    </message>
    <message>
        <source>FRAME:X:Y:SIZE:EASE,… on frames of the clip, such as 0:-200:0:1,48:200:0:1</source>
        <translation>BILD:X:Y:GRÖSSE:VERLAUF,… auf Bildern des Clips, etwa 0:-200:0:1,48:200:0:1</translation>
    </message>
    <message>
        <source>has an entry {} that does not follow the one before at 20 to 400 beats a minute</source>
        <translation>hat einen Eintrag {}, der dem vorigen nicht mit 20 bis 400 Beats in der Minute folgt</translation>
    </message>
    <message>
        <source>it goes on for more than eleven days</source>
        <translation>er dauert mehr als elf Tage</translation>
    </message>
    <message>
        <source>its tempo leaves 20 to 400 beats a minute, or changes more than {} times</source>
        <translation>ihr Tempo verlässt 20 bis 400 Beats in der Minute oder wechselt mehr als {}-mal</translation>
    </message>
    <message>
        <source>its tempo map</source>
        <translation>ihr Tempoverlauf</translation>
    </message>
    <message>
        <source>none, or BEAT:SECONDS,…, such as 16:8.25,32:15.9</source>
        <translation>none oder BEAT:SEKUNDEN,…, etwa 16:8.25,32:15.9</translation>
    </message>
    <message>
        <source>one that leaves from 20 to 400 beats a minute between pinned beats</source>
        <translation>so, dass zwischen festgelegten Beats 20 bis 400 in der Minute bleiben</translation>
    </message>
    <message>
        <source>should be a list of up to {} pairs: a beat&apos;s number and its seconds</source>
        <translation>soll eine Liste von höchstens {} Paaren sein: Nummer eines Beats und seine Sekunden</translation>
    </message>
    <message>
        <source>Part {} of {} is there already and was kept.</source>
        <translation>Teil {} von {} ist schon da und wurde behalten.</translation>
    </message>
    <message>
        <source>The joining</source>
        <translation>Das Zusammenfügen</translation>
    </message>
    <message>
        <source>a picture has no time</source>
        <translation>ein Bild hat keine Zeit</translation>
    </message>
    <message>
        <source>it has no pictures</source>
        <translation>es hat keine Bilder</translation>
    </message>
    <message>
        <source>it has no sound to find anything in</source>
        <translation>es hat keinen Ton, in dem etwas zu finden wäre</translation>
    </message>
    <message>
        <source>it has sound only, and no picture to find anything in</source>
        <translation>es hat nur Ton und kein Bild, in dem etwas zu finden wäre</translation>
    </message>
    <message>
        <source>it is a part of another film, or of other frames</source>
        <translation>es ist ein Teil eines anderen Films oder anderer Bilder</translation>
    </message>
    <message>
        <source>it should have {} pictures, and has {}</source>
        <translation>es sollte {} Bilder haben und hat {}</translation>
    </message>
    <message>
        <source>its pictures are coded otherwise than those of the first part</source>
        <translation>seine Bilder sind anders kodiert als die des ersten Teils</translation>
    </message>
    <message>
        <source>its pictures are not in order</source>
        <translation>seine Bilder sind nicht in der richtigen Reihenfolge</translation>
    </message>
    <message>
        <source>its {} frames can be rendered in {} parts at most, not in {}</source>
        <translation>seine {} Bilder lassen sich in höchstens {} Teilen rendern, nicht in {}</translation>
    </message>
    <message>
        <source>the parts end before the film does</source>
        <translation>die Teile enden vor dem Film</translation>
    </message>
    <message>
        <source>what is known of a part</source>
        <translation>was von einem Teil bekannt ist</translation>
    </message>
    <message>
        <source>Frames {} to {}</source>
        <translation>Bilder {} bis {}</translation>
    </message>
    <message>
        <source>the film has frames 0 to {}</source>
        <translation>der Film hat die Bilder 0 bis {}</translation>
    </message>
    <message>
        <source>{} frames of {} parts are joined.</source>
        <translation>{} Bilder aus {} Teilen sind zusammengefügt.</translation>
    </message>
    <message>
        <source>{} pictures of {} parts are in their place.</source>
        <translation>{} Bilder aus {} Teilen sind an ihrem Platz.</translation>
    </message>
    <message>
        <source>The size</source>
        <translation>Die Größe</translation>
    </message>
    <message>
        <source>it was rendered from another state of the project than the first part; render it again</source>
        <translation>es wurde aus einem anderen Stand des Projekts gerendert als der erste Teil; neu rendern</translation>
    </message>
    <message>
        <source>it was rendered with other settings than the first part; render it again</source>
        <translation>es wurde mit anderen Einstellungen gerendert als der erste Teil; neu rendern</translation>
    </message>
    <message>
        <source>it is not as it was when it was rendered; render it again</source>
        <translation>es ist nicht mehr, wie es gerendert wurde; neu rendern</translation>
    </message>
    <message>
        <source>its parts are of another project, or this one or its clips have changed since; render them again</source>
        <translation>seine Teile gehören zu einem anderen Projekt, oder dieses oder seine Clips haben sich seitdem geändert; neu rendern</translation>
    </message>
    <message>
        <source>the pictures of a GIF hang together; render films or numbered pictures in parts</source>
        <translation>die Bilder eines GIF hängen zusammen; in Teilen lassen sich Filme und nummerierte Bilder rendern</translation>
    </message>
    <message>
        <source>Lottie has no depth: pan and tilt are left out.</source>
        <translation>Lottie hat keine Tiefe: Schwenk und Neigung entfallen.</translation>
    </message>
    <message>
        <source>{} of {} shots move.</source>
        <translation>{} von {} Einstellungen bewegen sich.</translation>
    </message>
    <message>
        <source>numbers by their keys, such as {&quot;envelope.decay&quot;: 30}</source>
        <translation>Zahlen nach ihren Schlüsseln, etwa {&quot;envelope.decay&quot;: 30}</translation>
    </message>
    <message>
        <source>it holds more text than strikes can be</source>
        <translation>sie enthält mehr Text, als Schläge sein können</translation>
    </message>
    <message>
        <source>it holds no strikes: select some and press Ctrl+C</source>
        <translation>sie enthält keine Schläge: wählen Sie welche aus und drücken Sie Strg+C</translation>
    </message>
    <message>
        <source>it was just made of {}, which has the same name; apply them into folders of their own</source>
        <translation>es wurde gerade aus {} erstellt, das denselben Namen hat; die Clips auf eigene Ordner verteilen</translation>
    </message>
    <message>
        <source>it holds no recipe</source>
        <translation>es enthält kein Rezept</translation>
    </message>
    <message>
        <source>a clip that is read</source>
        <translation>ein Clip, der gelesen wird</translation>
    </message>
    <message>
        <source>there is no such folder to write into</source>
        <translation>es gibt keinen solchen Ordner, in den geschrieben werden kann</translation>
    </message>
    <message>
        <source>Part {} of {} is done.</source>
        <translation>Teil {} von {} ist fertig.</translation>
    </message>
    <message>
        <source>its {} frames cannot be cut into {} parts</source>
        <translation>seine {} Bilder lassen sich nicht in {} Teile schneiden</translation>
    </message>
    <message>
        <source>there are no parts to be joined</source>
        <translation>es gibt keine Teile, die verbunden werden können</translation>
    </message>
    <message>
        <source>all is there twice: in {} parts and in {}; delete those that are not wanted</source>
        <translation>alles ist doppelt da: in {} Teilen und in {}; die unerwünschten löschen</translation>
    </message>
    <message>
        <source>part {} of {} is missing; run it, then join again</source>
        <translation>Teil {} von {} fehlt; ihn ausführen, dann erneut verbinden</translation>
    </message>
    <message>
        <source>{} of {} parts are missing: {}; run them, then join again</source>
        <translation>{} von {} Teilen fehlen: {}; sie ausführen, dann erneut verbinden</translation>
    </message>
</context>
<context>
    <name>QObject</name>
    <message>
        <source>Clips and pictures (%1);;All files (*)</source>
        <translation>Clips und Bilder (%1);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Pictures (%1);;All files (*)</source>
        <translation>Bilder (%1);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Clips, projects and timelines (*.vember *.otio %1);;All files (*)</source>
        <translation>Clips, Projekte und Timelines (*.vember *.otio %1);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Unsaved changes</source>
        <translation>Ungespeicherte Änderungen</translation>
    </message>
    <message>
        <source>%1 has changes that are not saved.</source>
        <translation>%1 hat Änderungen, die nicht gespeichert sind.</translation>
    </message>
    <message>
        <source>Save</source>
        <translation>Speichern</translation>
    </message>
    <message>
        <source>Discard changes</source>
        <translation>Änderungen verwerfen</translation>
    </message>
    <message>
        <source>Stay here</source>
        <translation>Hier bleiben</translation>
    </message>
    <message>
        <source>Vast Ember</source>
        <translation>Vast Ember</translation>
    </message>
    <message>
        <source>Changed by another program</source>
        <translation>Von einem anderen Programm geändert</translation>
    </message>
    <message>
        <source>%1 was changed by another program since it was opened here. Saving over it loses what was changed there.</source>
        <translation>%1 wurde von einem anderen Programm geändert, seit es hier geöffnet wurde. Darüber zu speichern verwirft, was dort geändert wurde.</translation>
    </message>
    <message>
        <source>Save under another name</source>
        <translation>Unter anderem Namen speichern</translation>
    </message>
    <message>
        <source>Save over it</source>
        <translation>Darüber speichern</translation>
    </message>
</context>
<context>
    <name>Reel</name>
    <message>
        <source>Reel</source>
        <translation>Filmband</translation>
    </message>
    <message>
        <source>shots</source>
        <translation>Einstellungen</translation>
    </message>
    <message>
        <source>frames</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>sound, 1 strike</source>
        <translation>Ton, 1 Schlag</translation>
    </message>
    <message>
        <source>sound, %1 strikes</source>
        <translation>Ton, %1 Schläge</translation>
    </message>
    <message>
        <source>trace</source>
        <translation>Schrieb</translation>
    </message>
    <message>
        <source>gap</source>
        <translation>Lücke</translation>
    </message>
    <message>
        <source> at %1 %</source>
        <translation> mit %1 %</translation>
    </message>
    <message>
        <source>, %1 waiting</source>
        <translation>, %1 warten</translation>
    </message>
    <message>
        <source>no sound in this clip</source>
        <translation>kein Ton in diesem Clip</translation>
    </message>
    <message>
        <source>intensity</source>
        <translation>Intensität</translation>
    </message>
    <message>
        <source>camera move: %1</source>
        <translation>Kamerafahrt: %1</translation>
    </message>
</context>
<context>
    <name>TopView</name>
    <message>
        <source>+%1 f</source>
        <translation>+%1 B</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
</context>
<context>
    <name>Words</name>
    <message>
        <source>Blast</source>
        <translation>Explosion</translation>
    </message>
    <message>
        <source>Landing</source>
        <translation>Landung</translation>
    </message>
    <message>
        <source>Hit</source>
        <translation>Treffer</translation>
    </message>
    <message>
        <source>Beat</source>
        <translation>Beat</translation>
    </message>
    <message>
        <source>frequency</source>
        <translation>Frequenz</translation>
    </message>
    <message>
        <source>Settle mark: cut on frame %1</source>
        <translation>Ruhemarke: Schnitt auf Bild %1</translation>
    </message>
    <message>
        <source>Settle mark: eased home from frame %1 over %2 frames</source>
        <translation>Ruhemarke: klingt ab Bild %1 über %2 Bilder aus</translation>
    </message>
    <message>
        <source>%1, only %2.</source>
        <translation>%1, nur %2.</translation>
    </message>
    <message>
        <source>%1, only the group %2.</source>
        <translation>%1, nur die Gruppe %2.</translation>
    </message>
</context>
<context>
    <name>ember::app::ActionFinder</name>
    <message>
        <source>What do you want to do?</source>
        <translation>Was möchten Sie tun?</translation>
    </message>
    <message>
        <source>No action has these words</source>
        <translation>Keine Aktion hat diese Wörter</translation>
    </message>
</context>
<context>
    <name>ember::app::AnvilCanvas</name>
    <message>
        <source>Anvil</source>
        <translation>Amboss</translation>
    </message>
    <message>
        <source>motion</source>
        <translation>Bewegung</translation>
    </message>
    <message>
        <source>Select a strike on the Reel to shape it here.</source>
        <translation>Auf dem Filmband einen Schlag wählen, um ihn hier zu formen.</translation>
    </message>
    <message>
        <source>%1 strikes are selected. Select one to shape it here.</source>
        <translation>%1 Schläge sind gewählt. Einen wählen, um ihn hier zu formen.</translation>
    </message>
    <message>
        <source>Step to the first frame of contact and press S: the strike is shaped here.</source>
        <translation>Zum ersten Bild des Kontakts gehen und S drücken: der Schlag wird hier geformt.</translation>
    </message>
    <message>
        <source>A strike is shaped here, with the film frames under its curve.</source>
        <translation>Hier wird ein Schlag geformt, mit den Filmbildern unter seiner Kurve.</translation>
    </message>
    <message>
        <source>Turns the strand off and on</source>
        <translation>Schaltet den Strang aus und an</translation>
    </message>
    <message>
        <source>Feels only solo strands of this recipe</source>
        <translation>Spürt nur Solo-Stränge dieses Rezepts</translation>
    </message>
    <message>
        <source>Opens the strand in the side column, or closes it; drag it to change the order</source>
        <translation>Öffnet den Strang in der Seitenspalte oder schließt ihn; ziehen ändert die Reihenfolge</translation>
    </message>
    <message>
        <source>%1 moved up</source>
        <translation>%1 nach oben gerückt</translation>
    </message>
    <message>
        <source>%1 moved down</source>
        <translation>%1 nach unten gerückt</translation>
    </message>
    <message>
        <source>Strand %1</source>
        <translation>Strang %1</translation>
    </message>
    <message>
        <source>Turn on or off</source>
        <translation>An- oder ausschalten</translation>
    </message>
    <message>
        <source>Open or close</source>
        <translation>Öffnen oder schließen</translation>
    </message>
    <message>
        <source>Solo</source>
        <translation>Solo</translation>
    </message>
    <message>
        <source>Move up</source>
        <translation>Nach oben</translation>
    </message>
    <message>
        <source>Move down</source>
        <translation>Nach unten</translation>
    </message>
    <message>
        <source>by hand: the keys hold their own strength; this envelope shapes the light only</source>
        <translation>von Hand: die Keys haben ihre eigene Stärke; diese Hüllkurve formt nur das Licht</translation>
    </message>
</context>
<context>
    <name>ember::app::AnvilView</name>
    <message>
        <source>Anvil</source>
        <translation>Amboss</translation>
    </message>
    <message>
        <source>What the Anvil shows, and how time runs on it</source>
        <translation>Was der Amboss zeigt, und wie die Zeit darauf läuft</translation>
    </message>
    <message>
        <source>View of the Anvil</source>
        <translation>Ansicht des Ambosses</translation>
    </message>
    <message>
        <source>this strike only</source>
        <translation>nur dieser Schlag</translation>
    </message>
    <message>
        <source>Constant decay</source>
        <translation>Konstantes Abklingen</translation>
    </message>
    <message>
        <source>Linear decay</source>
        <translation>Lineares Abklingen</translation>
    </message>
    <message>
        <source>Fast decay</source>
        <translation>Schnelles Abklingen</translation>
    </message>
    <message>
        <source>Follow</source>
        <translation>Folgen</translation>
    </message>
    <message>
        <source>Follow the recipe again: gives the values marked * back to it</source>
        <translation>Wieder dem Rezept folgen: gibt ihm die mit * markierten Werte zurück</translation>
    </message>
    <message>
        <source>The strike follows its recipe again</source>
        <translation>Der Schlag folgt wieder seinem Rezept</translation>
    </message>
    <message>
        <source>Motion axis by axis (Y)</source>
        <translation>Bewegung Achse für Achse (Y)</translation>
    </message>
    <message>
        <source>A lane for each strand (T)</source>
        <translation>Eine Spur für jeden Strang (T)</translation>
    </message>
    <message>
        <source>Even scale of time</source>
        <translation>Gleichmäßige Zeitachse</translation>
    </message>
    <message>
        <source>Lengths in seconds</source>
        <translation>Längen in Sekunden</translation>
    </message>
    <message>
        <source>Either can be typed: 12 f, 0.5 s</source>
        <translation>Beides lässt sich eingeben: 12 f, 0.5 s</translation>
    </message>
    <message>
        <source>Select one strike to shape it</source>
        <translation>Einen Schlag wählen, um ihn zu formen</translation>
    </message>
    <message>
        <source>The rumble lasts until the next strike</source>
        <translation>Das Grollen dauert bis zum nächsten Schlag</translation>
    </message>
    <message>
        <source>The rumble lasts to the end of the shot</source>
        <translation>Das Grollen dauert bis zum Ende der Einstellung</translation>
    </message>
    <message>
        <source>Only a lead that builds up has a bend</source>
        <translation>Nur ein Vorlauf, der sich aufbaut, hat eine Biegung</translation>
    </message>
    <message>
        <source>lead</source>
        <translation>Vorlauf</translation>
    </message>
    <message>
        <source>builds to</source>
        <translation>baut auf bis</translation>
    </message>
    <message>
        <source>back</source>
        <translation>zurück</translation>
    </message>
    <message>
        <source>attack</source>
        <translation>Anstieg</translation>
    </message>
    <message>
        <source>hold</source>
        <translation>Halten</translation>
    </message>
    <message>
        <source>curve</source>
        <translation>Biegung</translation>
    </message>
    <message>
        <source>decay</source>
        <translation>Abklingen</translation>
    </message>
    <message>
        <source>rumble</source>
        <translation>Grollen</translation>
    </message>
    <message>
        <source>for</source>
        <translation>für</translation>
    </message>
    <message>
        <source>release</source>
        <translation>Ausklang</translation>
    </message>
    <message>
        <source>The decay stays up and drops at its end, to compare</source>
        <translation>Das Abklingen bleibt oben und fällt am Ende, zum Vergleich</translation>
    </message>
    <message>
        <source>The decay falls in a straight line, to compare</source>
        <translation>Das Abklingen fällt gerade, zum Vergleich</translation>
    </message>
    <message>
        <source>The decay falls fast first and then settles</source>
        <translation>Das Abklingen fällt erst schnell und beruhigt sich dann</translation>
    </message>
    <message>
        <source>no strike selected</source>
        <translation>kein Schlag gewählt</translation>
    </message>
    <message>
        <source>%1 strikes selected</source>
        <translation>%1 Schläge gewählt</translation>
    </message>
    <message>
        <source>this strike</source>
        <translation>dieser Schlag</translation>
    </message>
    <message>
        <source>recipe, 1 strike</source>
        <translation>Rezept, 1 Schlag</translation>
    </message>
    <message>
        <source>recipe, %1 strikes</source>
        <translation>Rezept, %1 Schläge</translation>
    </message>
    <message>
        <source>strand %1</source>
        <translation>Strang %1</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Edits go to this strike alone. Off: to the recipe %1 and every strike that uses it (%2).</source>
        <translation>Änderungen gelten nur diesem Schlag. Aus: dem Rezept %1 und jedem Schlag, der es verwendet (%2).</translation>
    </message>
    <message>
        <source>The rumble lasts to the end of the shot, so there is no release. The recipe keeps the value for when it ends earlier.</source>
        <translation>Das Grollen dauert bis zum Ende der Einstellung: danach gibt es keinen Heimweg. Der Wert des Rezepts bleibt für den Fall, dass es früher endet.</translation>
    </message>
</context>
<context>
    <name>ember::app::ApplyWindow</name>
    <message>
        <source>Apply to clips</source>
        <translation>Auf Clips anwenden</translation>
    </message>
    <message>
        <source>Apply</source>
        <translation>Anwenden</translation>
    </message>
    <message>
        <source>this project</source>
        <translation>dieses Projekt</translation>
    </message>
    <message>
        <source>my recipe book</source>
        <translation>mein Rezeptbuch</translation>
    </message>
    <message>
        <source>a file …</source>
        <translation>eine Datei …</translation>
    </message>
    <message>
        <source>What is applied to the clips. A file is a project or exported recipes.</source>
        <translation>Was auf die Clips angewandt wird. Eine Datei ist ein Projekt oder sind exportierte Rezepte.</translation>
    </message>
    <message>
        <source>Scope</source>
        <translation>Umfang</translation>
    </message>
    <message>
        <source>everything</source>
        <translation>alles</translation>
    </message>
    <message>
        <source>recipes only</source>
        <translation>nur Rezepte</translation>
    </message>
    <message>
        <source>finish only</source>
        <translation>nur Finish</translation>
    </message>
    <message>
        <source>Everything is recipes, finish, overlap, groups, drift, intensity, places, gentle version and colours. Shots, sounds and keys of the intensity stay with their own film.</source>
        <translation>Alles sind Rezepte, Finish, Überlagerung, Gruppen, Drift, Intensität, Orte, sanfte Fassung und Farben. Einstellungen, Töne und Keys der Intensität bleiben bei ihrem eigenen Film.</translation>
    </message>
    <message>
        <source>Strikes</source>
        <translation>Schläge</translation>
    </message>
    <message>
        <source>found in each clip</source>
        <translation>in jedem Clip gefunden</translation>
    </message>
    <message>
        <source>the project&apos;s, at their seconds</source>
        <translation>die des Projekts, zu ihren Sekunden</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>Found strikes use the recipe that most strikes of their kind use</source>
        <translation>Gefundene Schläge verwenden das Rezept, das die meisten ihrer Art verwenden</translation>
    </message>
    <message>
        <source>Evidence</source>
        <translation>Beleg</translation>
    </message>
    <message>
        <source>sound and picture</source>
        <translation>Ton und Bild</translation>
    </message>
    <message>
        <source>sound</source>
        <translation>Ton</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Where strikes are looked for</source>
        <translation>Worin nach Schlägen gesucht wird</translation>
    </message>
    <message>
        <source>Sensitivity</source>
        <translation>Empfindlichkeit</translation>
    </message>
    <message>
        <source>Files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>beside each clip</source>
        <translation>neben jedem Clip</translation>
    </message>
    <message>
        <source>Where projects and films are written: CLIP.vember and CLIP-shaken</source>
        <translation>Wohin Projekte und Filme geschrieben werden: CLIP.vember und CLIP-shaken</translation>
    </message>
    <message>
        <source>Choose</source>
        <translation>Wählen</translation>
    </message>
    <message>
        <source>Folder for projects and films</source>
        <translation>Ordner für Projekte und Filme</translation>
    </message>
    <message>
        <source>Folder</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>Film</source>
        <translation>Film</translation>
    </message>
    <message>
        <source>not rendered</source>
        <translation>nicht gerendert</translation>
    </message>
    <message>
        <source>MP4</source>
        <translation>MP4</translation>
    </message>
    <message>
        <source>MKV</source>
        <translation>MKV</translation>
    </message>
    <message>
        <source>WebM</source>
        <translation>WebM</translation>
    </message>
    <message>
        <source>MOV</source>
        <translation>MOV</translation>
    </message>
    <message>
        <source>Renders each film too, at its own size; other ways to render are in each project</source>
        <translation>Rendert auch jeden Film in seiner eigenen Größe; andere Arten zu rendern stehen in jedem Projekt</translation>
    </message>
    <message>
        <source>Replace projects and films that exist</source>
        <translation>Vorhandene Projekte und Filme ersetzen</translation>
    </message>
    <message>
        <source>Never this project, a clip, or anything they read</source>
        <translation>Nie dieses Projekt, einen Clip oder etwas, das sie lesen</translation>
    </message>
    <message>
        <source>Watch the folders until stopped</source>
        <translation>Die Ordner beobachten, bis angehalten wird</translation>
    </message>
    <message>
        <source>Clips that come into the added folders are done when they are copied whole; those that have a project are left</source>
        <translation>Clips, die in die hinzugefügten Ordner kommen, werden bearbeitet, sobald sie ganz kopiert sind; solche mit einem Projekt bleiben, wie sie sind</translation>
    </message>
    <message>
        <source>Clips</source>
        <translation>Clips</translation>
    </message>
    <message>
        <source>Add clips</source>
        <translation>Clips hinzufügen</translation>
    </message>
    <message>
        <source>Or drop clips and folders here</source>
        <translation>Oder Clips und Ordner hierher ziehen</translation>
    </message>
    <message>
        <source>Add folder</source>
        <translation>Ordner hinzufügen</translation>
    </message>
    <message>
        <source>All films directly in a folder</source>
        <translation>Alle Filme direkt in einem Ordner</translation>
    </message>
    <message>
        <source>Add the films of a folder</source>
        <translation>Filme eines Ordners hinzufügen</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Clip</source>
        <translation>Clip</translation>
    </message>
    <message>
        <source>State</source>
        <translation>Stand</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Open project</source>
        <translation>Projekt öffnen</translation>
    </message>
    <message>
        <source>Save report</source>
        <translation>Bericht speichern</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>A project or recipes</source>
        <translation>Ein Projekt oder Rezepte</translation>
    </message>
    <message>
        <source>Projects and recipes (*.vember *.json)</source>
        <translation>Projekte und Rezepte (*.vember *.json)</translation>
    </message>
    <message>
        <source>tick &quot;%1&quot; to replace it</source>
        <translation>„%1“ einschalten, um es zu ersetzen</translation>
    </message>
    <message>
        <source>It is running.</source>
        <translation>Es läuft.</translation>
    </message>
    <message>
        <source>Open a project first, or apply a file.</source>
        <translation>Zuerst ein Projekt öffnen, oder eine Datei anwenden.</translation>
    </message>
    <message>
        <source>Your recipe book is empty.</source>
        <translation>Ihr Rezeptbuch ist leer.</translation>
    </message>
    <message>
        <source>There is no folder %1.</source>
        <translation>Es gibt keinen Ordner %1.</translation>
    </message>
    <message>
        <source>Add clips first.</source>
        <translation>Zuerst Clips hinzufügen.</translation>
    </message>
    <message>
        <source>All clips are done.</source>
        <translation>Alle Clips sind fertig.</translation>
    </message>
    <message>
        <source>Save the report as</source>
        <translation>Bericht speichern als</translation>
    </message>
    <message>
        <source>Tables (*.tsv)</source>
        <translation>Tabellen (*.tsv)</translation>
    </message>
    <message>
        <source>Report saved: %1</source>
        <translation>Bericht gespeichert: %1</translation>
    </message>
    <message>
        <source>Recipes hold nothing else</source>
        <translation>Rezepte enthalten nichts anderes</translation>
    </message>
    <message>
        <source>Only strikes that are found have these</source>
        <translation>Nur gefundene Schläge haben das</translation>
    </message>
    <message>
        <source>waiting</source>
        <translation>wartet</translation>
    </message>
    <message>
        <source>rendering, %1 %</source>
        <translation>rendert, %1 %</translation>
    </message>
    <message>
        <source>analysing, %1 %</source>
        <translation>analysiert, %1 %</translation>
    </message>
    <message>
        <source>project made</source>
        <translation>Projekt erstellt</translation>
    </message>
    <message>
        <source>project made and film rendered</source>
        <translation>Projekt erstellt und Film gerendert</translation>
    </message>
    <message>
        <source>stopped</source>
        <translation>angehalten</translation>
    </message>
    <message>
        <source>Made: %1</source>
        <translation>Erstellt: %1</translation>
    </message>
    <message>
        <source>Nothing is running</source>
        <translation>Nichts läuft</translation>
    </message>
    <message>
        <source>%1 of %2 clips done</source>
        <translation>%1 von %2 Clips fertig</translation>
    </message>
    <message>
        <source>, %1 failed</source>
        <translation>, %1 fehlgeschlagen</translation>
    </message>
    <message>
        <source>; watching the folders</source>
        <translation>; Ordner werden beobachtet</translation>
    </message>
    <message>
        <source>Choose lines of the list first</source>
        <translation>Zuerst Zeilen der Liste wählen</translation>
    </message>
    <message>
        <source>Choose a clip that is done</source>
        <translation>Einen fertigen Clip wählen</translation>
    </message>
    <message>
        <source>Opens its project here (Enter). Drag a line into another program: its film, or its project.</source>
        <translation>Öffnet sein Projekt hier (Eingabe). Eine Zeile lässt sich in ein anderes Programm ziehen: sein Film oder sein Projekt.</translation>
    </message>
    <message>
        <source>There is nothing to tell of</source>
        <translation>Es gibt nichts zu berichten</translation>
    </message>
    <message>
        <source>one of the files it tells of</source>
        <translation>eine der Dateien, von denen er berichtet</translation>
    </message>
</context>
<context>
    <name>ember::app::BeatBar</name>
    <message>
        <source>every event</source>
        <translation>jedes Ereignis</translation>
    </message>
    <message>
        <source>events on the beat</source>
        <translation>Ereignisse auf dem Beat</translation>
    </message>
    <message>
        <source>only strong ones</source>
        <translation>nur starke</translation>
    </message>
    <message>
        <source>every beat</source>
        <translation>jeder Beat</translation>
    </message>
    <message>
        <source>every 2nd beat</source>
        <translation>jeder 2. Beat</translation>
    </message>
    <message>
        <source>bar starts</source>
        <translation>Taktanfänge</translation>
    </message>
    <message>
        <source>What is proposed</source>
        <translation>Was vorgeschlagen wird</translation>
    </message>
    <message>
        <source>Half</source>
        <translation>Halb</translation>
    </message>
    <message>
        <source>Half the tempo</source>
        <translation>Halbes Tempo</translation>
    </message>
    <message>
        <source>Double</source>
        <translation>Doppelt</translation>
    </message>
    <message>
        <source>Double the tempo</source>
        <translation>Doppeltes Tempo</translation>
    </message>
    <message>
        <source>Bar here</source>
        <translation>Takt hier</translation>
    </message>
    <message>
        <source>A bar begins at the playhead</source>
        <translation>Am Abspielpunkt beginnt ein Takt</translation>
    </message>
    <message>
        <source>Even</source>
        <translation>Gleichmäßig</translation>
    </message>
    <message>
        <source>One tempo for the whole film: the one at the playhead. Beats that were dragged are let go.</source>
        <translation>Ein Tempo für den ganzen Film: das am Abspielkopf. Verschobene Beats werden freigegeben.</translation>
    </message>
    <message>
        <source>Beat</source>
        <translation>Beat</translation>
    </message>
    <message>
        <source>Bar</source>
        <translation>Takt</translation>
    </message>
    <message>
        <source>No beat was heard; type its tempo</source>
        <translation>Kein Beat zu hören; sein Tempo eingeben</translation>
    </message>
    <message>
        <source>The tempo changes: drag beats on the Reel, or press Even first</source>
        <translation>Das Tempo wechselt: Beats auf dem Filmband ziehen oder zuerst Gleichmäßig drücken</translation>
    </message>
    <message>
        <source>%1 to %2 BPM</source>
        <translation>%1 bis %2 BPM</translation>
    </message>
    <message>
        <source>That would leave 20 to 400 beats a minute</source>
        <translation>Das läge außerhalb von 20 bis 400 Beats in der Minute</translation>
    </message>
    <message>
        <source>Beat of %1 BPM</source>
        <translation>Beat mit %1 BPM</translation>
    </message>
    <message>
        <source>Beat of %1 BPM at the playhead</source>
        <translation>Takt von %1 BPM am Abspielkopf</translation>
    </message>
</context>
<context>
    <name>ember::app::BookShelf</name>
    <message>
        <source>Your recipe book was changed by another window; it has been read again. Please do that once more.</source>
        <translation>Ihr Rezeptbuch wurde von einem anderen Fenster geändert und neu gelesen. Bitte tun Sie das noch einmal.</translation>
    </message>
    <message>
        <source>import of %1</source>
        <translation>Import von %1</translation>
    </message>
</context>
<context>
    <name>ember::app::BusyBar</name>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Stops it; nothing is changed</source>
        <translation>Hält es an; nichts wird geändert</translation>
    </message>
</context>
<context>
    <name>ember::app::ChannelList</name>
    <message>
        <source>Channels</source>
        <translation>Kanäle</translation>
    </message>
    <message>
        <source>Click a name to work on its curve; the others stay faint behind it. Brighter names have keys.</source>
        <translation>Einen Namen anklicken, um an seiner Kurve zu arbeiten; die anderen bleiben blass dahinter. Hellere Namen haben Keys.</translation>
    </message>
    <message>
        <source>Choose</source>
        <translation>Wählen</translation>
    </message>
</context>
<context>
    <name>ember::app::ClipRangeSheet</name>
    <message>
        <source>Read the camera of %1</source>
        <translation>Die Kamera von %1 auslesen</translation>
    </message>
    <message>
        <source>Frames</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>The whole clip</source>
        <translation>Der ganze Clip</translation>
    </message>
    <message>
        <source>From … to …</source>
        <translation>Von … bis …</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <source>Not now</source>
        <translation>Nicht jetzt</translation>
    </message>
    <message>
        <source>Read</source>
        <translation>Auslesen</translation>
    </message>
</context>
<context>
    <name>ember::app::ColourBlock</name>
    <message>
        <source>by the clips&apos; tags</source>
        <translation>nach den Angaben der Clips</translation>
    </message>
    <message>
        <source>by the built-in config</source>
        <translation>nach der eingebauten Konfiguration</translation>
    </message>
    <message>
        <source>by OCIO: %1</source>
        <translation>nach OCIO: %1</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>by %1</source>
        <translation>nach %1</translation>
    </message>
    <message>
        <source>Colours</source>
        <translation>Farben</translation>
    </message>
    <message>
        <source>What says which colours the clips&apos; numbers stand for: their own tags, or a config of OpenColorIO with its spaces, displays, views and looks</source>
        <translation>Was sagt, für welche Farben die Zahlen der Clips stehen: ihre eigenen Angaben oder eine Konfiguration von OpenColorIO mit ihren Farbräumen, Anzeigen, Ansichten und Looks</translation>
    </message>
    <message>
        <source>Working space</source>
        <translation>Arbeitsfarbraum</translation>
    </message>
    <message>
        <source>The space in whose light blur, flashes and everything else is added up</source>
        <translation>Der Farbraum, in dessen Licht Unschärfe, Blitze und alles andere summiert wird</translation>
    </message>
    <message>
        <source>Film</source>
        <translation>Film</translation>
    </message>
    <message>
        <source>The colour space of rendered films</source>
        <translation>Der Farbraum gerenderter Filme</translation>
    </message>
    <message>
        <source>Display</source>
        <translation>Anzeige</translation>
    </message>
    <message>
        <source>The kind of screen this window is seen on; single frames are for it too</source>
        <translation>Die Art Bildschirm, auf der dieses Fenster gesehen wird; auch Einzelbilder sind für sie</translation>
    </message>
    <message>
        <source>View</source>
        <translation>Ansicht</translation>
    </message>
    <message>
        <source>How the film is brought to that display</source>
        <translation>Wie der Film auf diese Anzeige gebracht wird</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Look</translation>
    </message>
    <message>
        <source>A look of the config over the view, in place of its own; films are without it</source>
        <translation>Ein Look der Konfiguration über der Ansicht, statt ihres eigenen; Filme sind ohne ihn</translation>
    </message>
    <message>
        <source>This clip</source>
        <translation>Dieser Clip</translation>
    </message>
    <message>
        <source>The colour space of the clip under the playhead</source>
        <translation>Der Farbraum des Clips unter dem Abspielkopf</translation>
    </message>
    <message>
        <source>%1 (not in the config)</source>
        <translation>%1 (nicht in der Konfiguration)</translation>
    </message>
    <message>
        <source>Choose a colour config</source>
        <translation>Farbkonfiguration wählen</translation>
    </message>
    <message>
        <source>Configs of OpenColorIO (*.ocio);;All files (*)</source>
        <translation>Konfigurationen von OpenColorIO (*.ocio);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Colours %1</source>
        <translation>Farben %1</translation>
    </message>
    <message>
        <source>%1 as the config has it</source>
        <translation>%1, wie die Konfiguration sie hat</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>The clip of shot %1 is read in another colour space</source>
        <translation>Der Clip der Einstellung %1 wird in einem anderen Farbraum gelesen</translation>
    </message>
    <message>
        <source>as the config: %1</source>
        <translation>wie die Konfiguration: %1</translation>
    </message>
    <message>
        <source>as the first clip</source>
        <translation>wie der erste Clip</translation>
    </message>
    <message>
        <source>as the view</source>
        <translation>wie die Ansicht</translation>
    </message>
    <message>
        <source>as its tags: %1</source>
        <translation>wie angegeben: %1</translation>
    </message>
    <message>
        <source>as its tags</source>
        <translation>wie angegeben</translation>
    </message>
    <message>
        <source>Config file</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Choose the file of another config of OpenColorIO</source>
        <translation>Wählen Sie die Datei einer anderen Konfiguration von OpenColorIO</translation>
    </message>
</context>
<context>
    <name>ember::app::ColourField</name>
    <message>
        <source>Pick a colour</source>
        <translation>Farbe wählen</translation>
    </message>
    <message>
        <source>Pick a colour.
%1</source>
        <translation>Farbe wählen.
%1</translation>
    </message>
</context>
<context>
    <name>ember::app::ComfortWindow</name>
    <message>
        <source>Within its limit</source>
        <translation>Innerhalb der Grenze</translation>
    </message>
    <message>
        <source>Beyond its limit</source>
        <translation>Jenseits der Grenze</translation>
    </message>
    <message>
        <source>Check flashes</source>
        <translation>Blitze prüfen</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Show it beside the full one</source>
        <translation>Neben dem vollen zeigen</translation>
    </message>
    <message>
        <source>Left of a line in the picture is the gentle version; drag the line</source>
        <translation>Links einer Linie im Bild ist die sanfte Fassung; die Linie lässt sich ziehen</translation>
    </message>
    <message>
        <source>Comfort</source>
        <translation>Verträglichkeit</translation>
    </message>
    <message>
        <source>No check is running</source>
        <translation>Es läuft keine Prüfung</translation>
    </message>
    <message>
        <source>Open a clip first</source>
        <translation>Erst einen Clip öffnen</translation>
    </message>
    <message>
        <source>Motion</source>
        <translation>Bewegung</translation>
    </message>
    <message>
        <source>of the film</source>
        <translation>des Films</translation>
    </message>
    <message>
        <source>of the shot at the playhead</source>
        <translation>der Einstellung am Abspielpunkt</translation>
    </message>
    <message>
        <source>The full version</source>
        <translation>Die volle Fassung</translation>
    </message>
    <message>
        <source>Full</source>
        <translation>Voll</translation>
    </message>
    <message>
        <source>Gentle</source>
        <translation>Sanft</translation>
    </message>
    <message>
        <source>Limit</source>
        <translation>Grenze</translation>
    </message>
    <message>
        <source>Double-click, or Enter: to the frame a line speaks of. The guide tells where limits come from.</source>
        <translation>Doppelklick oder Enter: zum Bild, von dem eine Zeile spricht. Woher die Grenzen kommen, sagt die Anleitung.</translation>
    </message>
    <message>
        <source>Flashes</source>
        <translation>Blitze</translation>
    </message>
    <message>
        <source>of the full version</source>
        <translation>der vollen Fassung</translation>
    </message>
    <message>
        <source>of the gentle version</source>
        <translation>der sanften Fassung</translation>
    </message>
    <message>
        <source>Double-click, or Enter: to the frame</source>
        <translation>Doppelklick oder Enter: zum Bild</translation>
    </message>
    <message>
        <source>Stopped.</source>
        <translation>Angehalten.</translation>
    </message>
    <message>
        <source>Gentle version</source>
        <translation>Sanfte Fassung</translation>
    </message>
    <message>
        <source>The same film for those whom the full one would harm. It is rendered and exported beside it where that is chosen there.</source>
        <translation>Derselbe Film für alle, denen der volle schaden würde. Er wird daneben gerendert und exportiert, wo das dort gewählt ist.</translation>
    </message>
    <message>
        <source>Largest speed</source>
        <translation>Größtes Tempo</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>It is checked already</source>
        <translation>Es wird schon geprüft</translation>
    </message>
    <message>
        <source>Open a clip first.</source>
        <translation>Erst einen Clip öffnen.</translation>
    </message>
    <message>
        <source>within all limits</source>
        <translation>innerhalb aller Grenzen</translation>
    </message>
    <message>
        <source>%1 beyond their limit</source>
        <translation>%1 jenseits ihrer Grenze</translation>
    </message>
    <message>
        <source>Full: %1. Gentle: %2.</source>
        <translation>Voll: %1. Sanft: %2.</translation>
    </message>
    <message>
        <source>The film was changed: check again.</source>
        <translation>Der Film wurde geändert: noch einmal prüfen.</translation>
    </message>
    <message>
        <source>Not checked yet. Every finished frame is rendered and looked at, by the thresholds of WCAG 2: more than three flashes within a second over a quarter of ten degrees.</source>
        <translation>Noch nicht geprüft. Jedes fertige Bild wird gerendert und betrachtet, nach den Schwellen der WCAG 2: mehr als drei Blitze in einer Sekunde über einem Viertel von zehn Grad.</translation>
    </message>
    <message>
        <source>Rendering …</source>
        <translation>Rendert …</translation>
    </message>
    <message>
        <source>No flashes beyond the thresholds (%1).</source>
        <translation>Keine Blitze jenseits der Schwellen (%1).</translation>
    </message>
    <message>
        <source>Beyond the thresholds (%1):</source>
        <translation>Jenseits der Schwellen (%1):</translation>
    </message>
</context>
<context>
    <name>ember::app::ConformSheet</name>
    <message>
        <source>Conform to %1</source>
        <translation>An %1 anpassen</translation>
    </message>
    <message>
        <source>%1 of %2 strikes were found in the new edit, %3 of them on another frame. The film has %4 frames now, it had %5.</source>
        <translation>%1 von %2 Schlägen wurden im neuen Schnitt gefunden, %3 davon auf einem anderen Bild. Der Film hat jetzt %4 Bilder, vorher %5.</translation>
    </message>
    <message>
        <source>Strike</source>
        <translation>Schlag</translation>
    </message>
    <message>
        <source>Was on</source>
        <translation>War auf</translation>
    </message>
    <message>
        <source>Is on</source>
        <translation>Ist auf</translation>
    </message>
    <message>
        <source>Likeness</source>
        <translation>Ähnlichkeit</translation>
    </message>
    <message>
        <source>not found</source>
        <translation>nicht gefunden</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>stays</source>
        <translation>bleibt</translation>
    </message>
    <message>
        <source>%1 frames</source>
        <translation>%1 Bilder</translation>
    </message>
    <message>
        <source>waits with the shot</source>
        <translation>wartet mit der Einstellung</translation>
    </message>
    <message>
        <source>stays on frame %1</source>
        <translation>bleibt auf Bild %1</translation>
    </message>
    <message>
        <source>is deleted</source>
        <translation>wird gelöscht</translation>
    </message>
    <message>
        <source>Strikes that wait are listed on the Film page and can be put on any frame</source>
        <translation>Wartende Schläge stehen auf der Filmseite und lassen sich auf jedes Bild setzen</translation>
    </message>
    <message>
        <source>Conform</source>
        <translation>Anpassen</translation>
    </message>
</context>
<context>
    <name>ember::app::ContactSheet</name>
    <message>
        <source>Frames around the strike</source>
        <translation>Bilder um den Schlag</translation>
    </message>
    <message>
        <source>each</source>
        <translation>jeder</translation>
    </message>
    <message>
        <source>every %1</source>
        <translation>jedes %1.</translation>
    </message>
    <message>
        <source>How far the twelve pictures are apart (keys 1 to 4)</source>
        <translation>Wie weit die zwölf Bilder auseinander liegen (Tasten 1 bis 4)</translation>
    </message>
    <message>
        <source>Both takes</source>
        <translation>Beide Takes</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Back to the window (G or Escape); a click on a picture goes to its frame</source>
        <translation>Zurück zum Fenster (G oder Escape); ein Klick auf ein Bild geht dorthin</translation>
    </message>
    <message>
        <source>Select one strike: the frames around it are shown</source>
        <translation>Einen Schlag wählen: die Bilder um ihn werden gezeigt</translation>
    </message>
    <message>
        <source>Each frame twice: left as the other take has it</source>
        <translation>Jedes Bild zweimal: links so, wie der andere Take es hat</translation>
    </message>
    <message>
        <source>The other take has other shots</source>
        <translation>Der andere Take hat andere Einstellungen</translation>
    </message>
    <message>
        <source>Keep a take first (Ctrl+1), then change something</source>
        <translation>Erst einen Take behalten (Ctrl+1), dann etwas ändern</translation>
    </message>
    <message>
        <source>%1%2   frame %3   %4</source>
        <translation>%1%2   Bild %3   %4</translation>
    </message>
    <message>
        <source>still</source>
        <translation>still</translation>
    </message>
    <message>
        <source>%1 px</source>
        <translation>%1 px</translation>
    </message>
    <message>
        <source>frame %1</source>
        <translation>Bild %1</translation>
    </message>
    <message>
        <source>Go there</source>
        <translation>Dorthin gehen</translation>
    </message>
</context>
<context>
    <name>ember::app::CrashSheet</name>
    <message>
        <source>Crash report</source>
        <translation>Absturzbericht</translation>
    </message>
    <message>
        <source>There is no report: Vast Ember has not ended by a fault.</source>
        <translation>Es gibt keinen Bericht: Vast Ember ist nicht durch einen Fehler beendet worden.</translation>
    </message>
    <message>
        <source>What was known when Vast Ember ended by a fault the last time. The report stays on this machine, in %1; it may name files you worked on.</source>
        <translation>Was bekannt war, als Vast Ember zuletzt durch einen Fehler endete. Der Bericht bleibt auf diesem Rechner, in %1; er kann Dateien nennen, an denen Sie gearbeitet haben.</translation>
    </message>
    <message>
        <source>The report</source>
        <translation>Der Bericht</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <source>Delete all reports</source>
        <translation>Alle Berichte löschen</translation>
    </message>
    <message>
        <source>There is none</source>
        <translation>Es gibt keinen</translation>
    </message>
    <message>
        <source>Puts the whole report on the clipboard</source>
        <translation>Legt den ganzen Bericht in die Zwischenablage</translation>
    </message>
    <message>
        <source>Cannot be undone</source>
        <translation>Lässt sich nicht rückgängig machen</translation>
    </message>
</context>
<context>
    <name>ember::app::CurveCanvas</name>
    <message>
        <source>Curves</source>
        <translation>Kurven</translation>
    </message>
    <message>
        <source>Key at %1</source>
        <translation>Key bei %1</translation>
    </message>
    <message>
        <source>Key deleted</source>
        <translation>Key gelöscht</translation>
    </message>
    <message>
        <source>%1 keys deleted</source>
        <translation>%1 Keys gelöscht</translation>
    </message>
    <message>
        <source>%1 keys copied</source>
        <translation>%1 Keys kopiert</translation>
    </message>
    <message>
        <source>Nothing copied yet: choose keys and press Ctrl+C</source>
        <translation>Noch nichts kopiert: Keys wählen und Strg+C drücken</translation>
    </message>
    <message>
        <source>%1 keys put in at %2</source>
        <translation>%1 Keys bei %2 eingesetzt</translation>
    </message>
    <message>
        <source>Key of %1 at %2</source>
        <translation>Key von %1 bei %2</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>Choose</source>
        <translation>Wählen</translation>
    </message>
    <message>
        <source>Key %1 %2</source>
        <translation>Key %1 %2</translation>
    </message>
    <message>
        <source>Keys moved</source>
        <translation>Keys verschoben</translation>
    </message>
    <message>
        <source>One frame earlier</source>
        <translation>Ein Bild früher</translation>
    </message>
    <message>
        <source>One frame later</source>
        <translation>Ein Bild später</translation>
    </message>
    <message>
        <source>%1 keys moved</source>
        <translation>%1 Keys verschoben</translation>
    </message>
    <message>
        <source>Key at %1, %2 %3</source>
        <translation>Key bei %1, %2 %3</translation>
    </message>
    <message>
        <source>Slope %1 %2 a frame</source>
        <translation>Steigung %1 %2 je Bild</translation>
    </message>
    <message>
        <source>Keys at %1 %</source>
        <translation>Keys auf %1 %</translation>
    </message>
    <message>
        <source>Keys over %1 frames</source>
        <translation>Keys über %1 Bilder</translation>
    </message>
    <message>
        <source>peak</source>
        <translation>Spitze</translation>
    </message>
    <message>
        <source>strike</source>
        <translation>Schlag</translation>
    </message>
    <message>
        <source>not felt: the envelope has ended</source>
        <translation>nicht zu spüren: die Hüllkurve ist zu Ende</translation>
    </message>
    <message>
        <source>jumps to rest here</source>
        <translation>springt hier zur Ruhe</translation>
    </message>
    <message>
        <source>%1 %2 on %3</source>
        <translation>%1 %2 auf %3</translation>
    </message>
    <message>
        <source>velocity (dashed): up to %1 %2 a frame</source>
        <translation>Geschwindigkeit (gestrichelt): bis %1 %2 je Bild</translation>
    </message>
    <message>
        <source>%1 f, %2 Hz</source>
        <translation>%1 B, %2 Hz</translation>
    </message>
    <message>
        <source>Select a strike on the Reel to see its curves here.</source>
        <translation>Einen Schlag auf dem Filmband wählen, um hier seine Kurven zu sehen.</translation>
    </message>
    <message>
        <source>This strike has no keys yet. Press M and drag the picture, or choose other curves at the left.</source>
        <translation>Dieser Schlag hat noch keine Keys. M drücken und das Bild ziehen, oder links andere Kurven wählen.</translation>
    </message>
    <message>
        <source>The film has nothing to show here.</source>
        <translation>Der Film hat hier nichts zu zeigen.</translation>
    </message>
    <message>
        <source>No curve yet: it goes as its values say. Click on the line to add a key.</source>
        <translation>Noch keine Kurve: es läuft, wie seine Werte sagen. Auf die Linie klicken, um einen Key zu setzen.</translation>
    </message>
    <message>
        <source>No keys yet. Click on the line to add one.</source>
        <translation>Noch keine Keys. Auf die Linie klicken, um einen zu setzen.</translation>
    </message>
</context>
<context>
    <name>ember::app::CurveChannels</name>
    <message>
        <source>strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>own strength</source>
        <translation>eigene Stärke</translation>
    </message>
    <message>
        <source>rate</source>
        <translation>Rate</translation>
    </message>
    <message>
        <source>shutter</source>
        <translation>Verschluss</translation>
    </message>
    <message>
        <source>streak</source>
        <translation>Strich</translation>
    </message>
    <message>
        <source>streak angle</source>
        <translation>Strichwinkel</translation>
    </message>
    <message>
        <source>radial</source>
        <translation>radial</translation>
    </message>
    <message>
        <source>fringe</source>
        <translation>Saum</translation>
    </message>
    <message>
        <source>fringe angle</source>
        <translation>Saumwinkel</translation>
    </message>
    <message>
        <source>flash</source>
        <translation>Blitz</translation>
    </message>
    <message>
        <source>pivot x</source>
        <translation>Drehpunkt x</translation>
    </message>
    <message>
        <source>pivot y</source>
        <translation>Drehpunkt y</translation>
    </message>
    <message>
        <source>intensity</source>
        <translation>Intensität</translation>
    </message>
    <message>
        <source>drift rate</source>
        <translation>Drift-Rate</translation>
    </message>
    <message>
        <source>drift</source>
        <translation>Drift</translation>
    </message>
    <message>
        <source>move x</source>
        <translation>Fahrt x</translation>
    </message>
    <message>
        <source>move y</source>
        <translation>Fahrt y</translation>
    </message>
    <message>
        <source>move zoom</source>
        <translation>Fahrt Zoom</translation>
    </message>
    <message>
        <source>move roll</source>
        <translation>Fahrt Roll</translation>
    </message>
    <message>
        <source>%1 is a curve now, without the swing before it</source>
        <translation>%1 ist jetzt eine Kurve, ohne das Ausholen davor</translation>
    </message>
    <message>
        <source>%1 is a curve now</source>
        <translation>%1 ist jetzt eine Kurve</translation>
    </message>
    <message>
        <source>No attack and decay comes near this curve: the nearest is %1 % beside it. The shape that was there before comes back.</source>
        <translation>Kein Anstieg und Abklingen kommt dieser Kurve nahe: das nächste liegt %1 % daneben. Die Form, die vorher da war, kommt zurück.</translation>
    </message>
    <message>
        <source>The curve has no peak. The shape that was there before comes back.</source>
        <translation>Die Kurve hat keine Spitze. Die Form, die vorher da war, kommt zurück.</translation>
    </message>
    <message>
        <source>%1 is no curve any more</source>
        <translation>%1 ist keine Kurve mehr</translation>
    </message>
    <message>
        <source>%1 follows the recipe again</source>
        <translation>%1 folgt wieder dem Rezept</translation>
    </message>
    <message>
        <source>impact frames</source>
        <translation>Einschlagbilder</translation>
    </message>
    <message>
        <source>defocus</source>
        <translation>Unschärfe</translation>
    </message>
    <message>
        <source>ripple</source>
        <translation>Druckwelle</translation>
    </message>
    <message>
        <source>grain</source>
        <translation>Korn</translation>
    </message>
    <message>
        <source>exposure kick</source>
        <translation>Belichtungsstoß</translation>
    </message>
</context>
<context>
    <name>ember::app::CurveView</name>
    <message>
        <source>Keys</source>
        <translation>Keys</translation>
    </message>
    <message>
        <source>Strength and rate</source>
        <translation>Stärke und Rate</translation>
    </message>
    <message>
        <source>Blur and light</source>
        <translation>Unschärfe und Licht</translation>
    </message>
    <message>
        <source>Film</source>
        <translation>Film</translation>
    </message>
    <message>
        <source>Which curves are shown: the keys of the strand drawn by hand; strength, rate and amounts; motion blur and light; or the film&apos;s intensity, drift and camera move</source>
        <translation>Welche Kurven zu sehen sind: die Keys des von Hand gezeichneten Strangs; Stärke, Rate und Ausschläge; Bewegungsunschärfe und Licht; oder Intensität, Drift und Kamerafahrt des Films</translation>
    </message>
    <message>
        <source>this strike only</source>
        <translation>nur dieser Schlag</translation>
    </message>
    <message>
        <source>Edits go to this strike alone. Off: to the recipe and every strike that uses it.</source>
        <translation>Änderungen gelten nur diesem Schlag. Aus: dem Rezept und jedem Schlag, der es benutzt.</translation>
    </message>
    <message>
        <source>frame</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>value</source>
        <translation>Wert</translation>
    </message>
    <message>
        <source>Key at %1</source>
        <translation>Key bei %1</translation>
    </message>
    <message>
        <source>Key %1</source>
        <translation>Key %1</translation>
    </message>
    <message>
        <source>Keys changed together</source>
        <translation>Keys zusammen geändert</translation>
    </message>
    <message>
        <source>Straight to the next key</source>
        <translation>Gerade zum nächsten Key</translation>
    </message>
    <message>
        <source>Smooth: eased out of this key and into the next</source>
        <translation>Weich: sanft aus diesem Key und in den nächsten</translation>
    </message>
    <message>
        <source>Slow first, then faster</source>
        <translation>Erst langsam, dann schneller</translation>
    </message>
    <message>
        <source>Fast first, then slower</source>
        <translation>Erst schnell, dann langsamer</translation>
    </message>
    <message>
        <source>It stays until the next key</source>
        <translation>Es bleibt bis zum nächsten Key</translation>
    </message>
    <message>
        <source>Slopes</source>
        <translation>Steigungen</translation>
    </message>
    <message>
        <source>How the curve goes through the chosen keys</source>
        <translation>Wie die Kurve durch die gewählten Keys geht</translation>
    </message>
    <message>
        <source>Free</source>
        <translation>Frei</translation>
    </message>
    <message>
        <source>As it goes now, with slopes to drag on either side</source>
        <translation>Wie sie jetzt geht, mit Steigungen zum Ziehen auf beiden Seiten</translation>
    </message>
    <message>
        <source>Smooth</source>
        <translation>Weich</translation>
    </message>
    <message>
        <source>Without a corner, and never beyond its neighbours</source>
        <translation>Ohne Ecke und nie über die Nachbarn hinaus</translation>
    </message>
    <message>
        <source>Flat</source>
        <translation>Flach</translation>
    </message>
    <message>
        <source>Level: a calm turn</source>
        <translation>Waagrecht: eine ruhige Wende</translation>
    </message>
    <message>
        <source>Straight</source>
        <translation>Gerade</translation>
    </message>
    <message>
        <source>In straight lines to both neighbours</source>
        <translation>In geraden Linien zu beiden Nachbarn</translation>
    </message>
    <message>
        <source>Stepped</source>
        <translation>Gestuft</translation>
    </message>
    <message>
        <source>Key here</source>
        <translation>Key hier</translation>
    </message>
    <message>
        <source>A key on the playhead&apos;s frame (Insert), on the curve as it goes</source>
        <translation>Ein Key auf dem Bild der Abspielmarke (Einfg), auf der Kurve, wie sie läuft</translation>
    </message>
    <message>
        <source>Turn into a curve</source>
        <translation>Zur Kurve machen</translation>
    </message>
    <message>
        <source>Lengthen</source>
        <translation>Verlängern</translation>
    </message>
    <message>
        <source>The envelope ends before the last key, so what is hatched is not felt. This makes it last until that key.</source>
        <translation>Die Hüllkurve endet vor dem letzten Key, darum ist das Schraffierte nicht zu spüren. Dies lässt sie bis zu ihm dauern.</translation>
    </message>
    <message>
        <source>Back to rest</source>
        <translation>Zurück zur Ruhe</translation>
    </message>
    <message>
        <source>Follow the recipe</source>
        <translation>Dem Rezept folgen</translation>
    </message>
    <message>
        <source>This curve is the strike&apos;s own; this gives it back to the recipe</source>
        <translation>Diese Kurve gehört dem Schlag; dies gibt sie dem Rezept zurück</translation>
    </message>
    <message>
        <source>More</source>
        <translation>Mehr</translation>
    </message>
    <message>
        <source>What can be done with the chosen keys, and what is shown</source>
        <translation>Was mit den gewählten Keys getan werden kann, und was zu sehen ist</translation>
    </message>
    <message>
        <source>Anvil</source>
        <translation>Amboss</translation>
    </message>
    <message>
        <source>Back to the Anvil (U)</source>
        <translation>Zurück zum Amboss (U)</translation>
    </message>
    <message>
        <source>Turn over</source>
        <translation>Umkehren</translation>
    </message>
    <message>
        <source>The chosen keys the other way: right becomes left</source>
        <translation>Die gewählten Keys andersherum: aus rechts wird links</translation>
    </message>
    <message>
        <source>Keys turned over</source>
        <translation>Keys umgekehrt</translation>
    </message>
    <message>
        <source>Reverse in time</source>
        <translation>Zeitlich umdrehen</translation>
    </message>
    <message>
        <source>What came first comes last</source>
        <translation>Was zuerst kam, kommt zuletzt</translation>
    </message>
    <message>
        <source>Keys reversed</source>
        <translation>Keys umgedreht</translation>
    </message>
    <message>
        <source>Smooth values</source>
        <translation>Werte glätten</translation>
    </message>
    <message>
        <source>Each chosen value half way to the mean of its neighbours</source>
        <translation>Jeder gewählte Wert halbwegs zum Mittel seiner Nachbarn</translation>
    </message>
    <message>
        <source>Keys smoothed</source>
        <translation>Keys geglättet</translation>
    </message>
    <message>
        <source>To rest</source>
        <translation>Zur Ruhe</translation>
    </message>
    <message>
        <source>The chosen keys at 0, and flat: a calm end</source>
        <translation>Die gewählten Keys auf 0 und flach: ein ruhiges Ende</translation>
    </message>
    <message>
        <source>Keys at rest</source>
        <translation>Keys in Ruhe</translation>
    </message>
    <message>
        <source>Repeat, a bit weaker</source>
        <translation>Wiederholen, etwas schwächer</translation>
    </message>
    <message>
        <source>The chosen keys once more behind themselves, at 60 %</source>
        <translation>Die gewählten Keys noch einmal hinter sich, mit 60 %</translation>
    </message>
    <message>
        <source>Keys repeated</source>
        <translation>Keys wiederholt</translation>
    </message>
    <message>
        <source>To whole frames</source>
        <translation>Auf ganze Bilder</translation>
    </message>
    <message>
        <source>The chosen keys on the nearest whole frames</source>
        <translation>Die gewählten Keys auf den nächsten ganzen Bildern</translation>
    </message>
    <message>
        <source>Keys on whole frames</source>
        <translation>Keys auf ganzen Bildern</translation>
    </message>
    <message>
        <source>Clear this curve</source>
        <translation>Diese Kurve leeren</translation>
    </message>
    <message>
        <source>Keys of %1 cleared</source>
        <translation>Keys von %1 gelöscht</translation>
    </message>
    <message>
        <source>Velocity beside it</source>
        <translation>Geschwindigkeit daneben</translation>
    </message>
    <message>
        <source>Distance between peaks</source>
        <translation>Abstand der Spitzen</translation>
    </message>
    <message>
        <source>This curve alone</source>
        <translation>Nur diese Kurve</translation>
    </message>
    <message>
        <source>Fit (F)</source>
        <translation>Einpassen (F)</translation>
    </message>
    <message>
        <source>Slopes: %1</source>
        <translation>Steigungen: %1</translation>
    </message>
    <message>
        <source>no strike selected</source>
        <translation>kein Schlag gewählt</translation>
    </message>
    <message>
        <source>strand %1</source>
        <translation>Strang %1</translation>
    </message>
    <message>
        <source>Back to a shape</source>
        <translation>Zurück zur Form</translation>
    </message>
    <message>
        <source>Back to one value</source>
        <translation>Zurück zu einem Wert</translation>
    </message>
    <message>
        <source>A curve of the same shape, with any number of keys</source>
        <translation>Eine Kurve derselben Form, mit beliebig vielen Keys</translation>
    </message>
    <message>
        <source>No curve: the value or the course there was</source>
        <translation>Keine Kurve: der Wert oder Verlauf von vorher</translation>
    </message>
    <message>
        <source>Attack, hold, decay and rumble as near as they come to this curve</source>
        <translation>Anstieg, Halten, Abklingen und Grollen, so nah sie dieser Kurve kommen</translation>
    </message>
    <message>
        <source>Each axis is eased back to exact rest after its last key. Off: it jumps there.</source>
        <translation>Jede Achse geht nach ihrem letzten Key sanft zurück in genaue Ruhe. Aus: sie springt dorthin.</translation>
    </message>
    <message>
        <source>Off: where the last key is not at rest the picture jumps back in one frame.</source>
        <translation>Aus: wo der letzte Key nicht in Ruhe ist, springt das Bild in einem Bild zurück.</translation>
    </message>
    <message>
        <source>Choose a curve first</source>
        <translation>Zuerst eine Kurve wählen</translation>
    </message>
    <message>
        <source>Choose keys of the curve first</source>
        <translation>Zuerst Keys der Kurve wählen</translation>
    </message>
    <message>
        <source>The key on the peak stays as it is</source>
        <translation>Der Key auf der Spitze bleibt, wie er ist</translation>
    </message>
    <message>
        <source>Several keys are chosen: drag them, or the box around them</source>
        <translation>Mehrere Keys sind gewählt: sie ziehen oder den Rahmen um sie</translation>
    </message>
    <message>
        <source>These keys are eased; they have no slopes of their own</source>
        <translation>Diese Keys sind sanft verbunden; sie haben keine eigenen Steigungen</translation>
    </message>
</context>
<context>
    <name>ember::app::DifferenceSheet</name>
    <message>
        <source>What differs</source>
        <translation>Was verschieden ist</translation>
    </message>
    <message>
        <source>%1 and %2 are the same.</source>
        <translation>%1 und %2 sind gleich.</translation>
    </message>
    <message>
        <source>1 value differs between %1 and %2.</source>
        <translation>1 Wert ist in %1 und %2 verschieden.</translation>
    </message>
    <message>
        <source>%1 values differ between %2 and %3.</source>
        <translation>%1 Werte sind in %2 und %3 verschieden.</translation>
    </message>
    <message>
        <source>Value</source>
        <translation>Wert</translation>
    </message>
    <message>
        <source>none</source>
        <translation>ohne</translation>
    </message>
</context>
<context>
    <name>ember::app::DirectionDial</name>
    <message>
        <source>Where the blow goes. Drag round in steps of 5°; with Shift, single degrees.</source>
        <translation>Wohin der Stoß geht. Rundum ziehen in Schritten von 5°; mit Shift einzelne Grade.</translation>
    </message>
    <message>
        <source>seed</source>
        <translation>Startwert</translation>
    </message>
</context>
<context>
    <name>ember::app::DragEdit</name>
    <message>
        <source>Cancelled: nothing was changed</source>
        <translation>Abgebrochen: es ist, wie es war</translation>
    </message>
</context>
<context>
    <name>ember::app::DropBench</name>
    <message>
        <source>Drop bench</source>
        <translation>Fallbank</translation>
    </message>
    <message>
        <source>Open scene</source>
        <translation>Szene öffnen</translation>
    </message>
    <message>
        <source>Reads a scene from a file</source>
        <translation>Liest eine Szene aus einer Datei</translation>
    </message>
    <message>
        <source>Sample</source>
        <translation>Beispiel</translation>
    </message>
    <message>
        <source>The sample scene again</source>
        <translation>Wieder die Beispielszene</translation>
    </message>
    <message>
        <source>Drop again</source>
        <translation>Noch einmal fallen</translation>
    </message>
    <message>
        <source>Shows the fall once more</source>
        <translation>Zeigt den Fall noch einmal</translation>
    </message>
    <message>
        <source>With their places</source>
        <translation>Mit ihren Orten</translation>
    </message>
    <message>
        <source>Impacts keep where they are around a camera that sees this view: further ones are weaker and later</source>
        <translation>Aufpralle behalten, wo sie um eine Kamera mit diesem Blick liegen: fernere sind schwächer und später</translation>
    </message>
    <message>
        <source>Save impacts</source>
        <translation>Aufpralle sichern</translation>
    </message>
    <message>
        <source>Writes the impacts as JSON Lines</source>
        <translation>Schreibt die Aufpralle als JSON Lines</translation>
    </message>
    <message>
        <source>Add as strikes</source>
        <translation>Als Schläge einfügen</translation>
    </message>
    <message>
        <source>Each impact becomes a strike, its strength from its energy, its direction from the blow; the drop begins at the playhead</source>
        <translation>Jeder Aufprall wird ein Schlag: die Stärke aus seiner Energie, die Richtung aus dem Stoß; der Fall beginnt am Abspielpunkt</translation>
    </message>
    <message>
        <source>The scene cannot be read</source>
        <translation>Die Szene kann nicht gelesen werden</translation>
    </message>
    <message>
        <source>It is still falling</source>
        <translation>Es fällt noch</translation>
    </message>
    <message>
        <source>Nothing hits hard enough to tell.</source>
        <translation>Nichts trifft hart genug.</translation>
    </message>
    <message>
        <source>%1 impacts</source>
        <translation>%1 Aufpralle</translation>
    </message>
    <message>
        <source>There are no impacts</source>
        <translation>Es gibt keine Aufpralle</translation>
    </message>
    <message>
        <source>Open a scene</source>
        <translation>Eine Szene öffnen</translation>
    </message>
    <message>
        <source>Scenes (*.json)</source>
        <translation>Szenen (*.json)</translation>
    </message>
    <message>
        <source>Save the impacts as</source>
        <translation>Aufpralle sichern als</translation>
    </message>
    <message>
        <source>JSON Lines (*.jsonl)</source>
        <translation>JSON Lines (*.jsonl)</translation>
    </message>
    <message>
        <source>%1 impacts written to %2</source>
        <translation>%1 Aufpralle in %2 geschrieben</translation>
    </message>
    <message>
        <source>Scene</source>
        <translation>Szene</translation>
    </message>
</context>
<context>
    <name>ember::app::Film</name>
    <message>
        <source>Reading %1</source>
        <translation>Liest %1</translation>
    </message>
    <message>
        <source>%1 was written anew and is used as it is now</source>
        <translation>%1 wurde neu geschrieben und wird jetzt so verwendet</translation>
    </message>
    <message>
        <source>%1 The film is shown as it was.</source>
        <translation>%1 Der Film wird gezeigt, wie er war.</translation>
    </message>
    <message>
        <source>%1 is shorter than before: it has %2 frames, and %3 are shown. Its last picture stands for the rest; trim the shot to leave that out.</source>
        <translation>%1 ist kürzer als zuvor: es sind %2 Bilder, und %3 werden gezeigt. Das letzte Bild steht für den Rest; die Einstellung kürzen, um ihn wegzulassen.</translation>
    </message>
    <message>
        <source>Another length of %1</source>
        <translation>Andere Länge von %1</translation>
    </message>
    <message>
        <source>%1 was written anew and is shown as it is now</source>
        <translation>%1 wurde neu geschrieben und wird jetzt so gezeigt</translation>
    </message>
</context>
<context>
    <name>ember::app::FilmPage</name>
    <message>
        <source>First frame is</source>
        <translation>Erstes Bild ist</translation>
    </message>
    <message>
        <source>The timecode of the film&apos;s first frame, such as 01:00:00:00. At 29.97 and 59.94 frames a second 01:00:00;00 counts drop-frame.</source>
        <translation>Der Timecode des ersten Filmbildes, wie 01:00:00:00. Bei 29.97 und 59.94 Bildern je Sekunde zählt 01:00:00;00 mit Drop-Frame.</translation>
    </message>
    <message>
        <source>“%1” is no timecode. Type for example 01:00:00:00.</source>
        <translation>„%1“ ist kein Timecode. Zum Beispiel 01:00:00:00 eingeben.</translation>
    </message>
    <message>
        <source>The first frame is %1</source>
        <translation>Das erste Bild ist %1</translation>
    </message>
    <message>
        <source>%1 on</source>
        <translation>%1 an</translation>
    </message>
    <message>
        <source>%1 off</source>
        <translation>%1 aus</translation>
    </message>
    <message>
        <source>Key here</source>
        <translation>Key hier</translation>
    </message>
    <message>
        <source>Keeps the intensity at the playhead as a key; between keys it changes evenly</source>
        <translation>Hält die Intensität am Abspielpunkt als Key fest; zwischen Keys ändert sie sich gleichmäßig</translation>
    </message>
    <message>
        <source>Intensity key on frame %1</source>
        <translation>Intensitätskey auf Bild %1</translation>
    </message>
    <message>
        <source>All shakes</source>
        <translation>Alles</translation>
    </message>
    <message>
        <source>Bypass</source>
        <translation>Umgehen</translation>
    </message>
    <message>
        <source>2D only</source>
        <translation>Nur 2D</translation>
    </message>
    <message>
        <source>Sounds</source>
        <translation>Töne</translation>
    </message>
    <message>
        <source>Position</source>
        <translation>Position</translation>
    </message>
    <message>
        <source>x, y and zoom on or off together</source>
        <translation>x, y und Zoom zusammen an oder aus</translation>
    </message>
    <message>
        <source>Rotation</source>
        <translation>Drehung</translation>
    </message>
    <message>
        <source>Roll, pan and tilt on or off together</source>
        <translation>Roll, Schwenk und Neigung zusammen an oder aus</translation>
    </message>
    <message>
        <source>Whether shakes move this axis</source>
        <translation>Ob Erschütterungen diese Achse bewegen</translation>
    </message>
    <message>
        <source>Intensity key</source>
        <translation>Intensitätskey</translation>
    </message>
    <message>
        <source>Intensity key deleted</source>
        <translation>Intensitätskey gelöscht</translation>
    </message>
    <message>
        <source>New group</source>
        <translation>Neue Gruppe</translation>
    </message>
    <message>
        <source>A group of strikes that meet by a rule of their own; put strikes into it under Strike</source>
        <translation>Eine Gruppe von Schlägen, die nach eigener Regel zusammentreffen; Schläge kommen unter Schlag hinein</translation>
    </message>
    <message>
        <source>Group</source>
        <translation>Gruppe</translation>
    </message>
    <message>
        <source>Group made</source>
        <translation>Gruppe angelegt</translation>
    </message>
    <message>
        <source>Where strikes meet</source>
        <translation>Wo Schläge zusammentreffen</translation>
    </message>
    <message>
        <source>Rule</source>
        <translation>Regel</translation>
    </message>
    <message>
        <source>Cut here</source>
        <translation>Hier abschneiden</translation>
    </message>
    <message>
        <source>Ease home here</source>
        <translation>Hier ausklingen</translation>
    </message>
    <message>
        <source>Settle marks</source>
        <translation>Ruhemarken</translation>
    </message>
    <message>
        <source>Settle mark</source>
        <translation>Ruhemarke</translation>
    </message>
    <message>
        <source>Settle mark deleted</source>
        <translation>Ruhemarke gelöscht</translation>
    </message>
    <message>
        <source>Drift</source>
        <translation>Drift</translation>
    </message>
    <message>
        <source>none: noise</source>
        <translation>keine: Rauschen</translation>
    </message>
    <message>
        <source>Drift: noise</source>
        <translation>Drift: Rauschen</translation>
    </message>
    <message>
        <source>Drift: %1</source>
        <translation>Drift: %1</translation>
    </message>
    <message>
        <source>On</source>
        <translation>An</translation>
    </message>
    <message>
        <source>Keeps where the shot is at the playhead as a key of its own move; shakes are added to it</source>
        <translation>Hält die Lage der Einstellung am Abspielpunkt als Key ihrer eigenen Bewegung fest; Erschütterungen kommen hinzu</translation>
    </message>
    <message>
        <source>Key of the shot&apos;s move on frame %1</source>
        <translation>Bewegungskey der Einstellung auf Bild %1</translation>
    </message>
    <message>
        <source>The shot&apos;s own move</source>
        <translation>Die eigene Bewegung der Einstellung</translation>
    </message>
    <message>
        <source>Key of the shot&apos;s move</source>
        <translation>Bewegungskey der Einstellung</translation>
    </message>
    <message>
        <source>Key of the shot&apos;s move deleted</source>
        <translation>Bewegungskey der Einstellung gelöscht</translation>
    </message>
    <message>
        <source>The group&apos;s name</source>
        <translation>Der Name der Gruppe</translation>
    </message>
    <message>
        <source>Group named %1</source>
        <translation>Gruppe heißt %1</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Its strikes meet by the project&apos;s rule again</source>
        <translation>Ihre Schläge treffen wieder nach der Regel des Projekts zusammen</translation>
    </message>
    <message>
        <source>Group deleted</source>
        <translation>Gruppe gelöscht</translation>
    </message>
    <message>
        <source>Open a clip first</source>
        <translation>Erst einen Clip öffnen</translation>
    </message>
    <message>
        <source>The keys below set the intensity</source>
        <translation>Die Keys unten setzen die Intensität</translation>
    </message>
    <message>
        <source>Running shakes are at rest on this frame (X)</source>
        <translation>Was am Abspielpunkt läuft, ist auf diesem Bild in Ruhe (X)</translation>
    </message>
    <message>
        <source>Running shakes are eased home from this frame on (H)</source>
        <translation>Was am Abspielpunkt läuft, klingt ab diesem Bild aus (H)</translation>
    </message>
    <message>
        <source>all</source>
        <translation>alle</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>a strike that is gone</source>
        <translation>ein Schlag, den es nicht mehr gibt</translation>
    </message>
    <message>
        <source>Ends</source>
        <translation>Beendet</translation>
    </message>
    <message>
        <source>The shakes that it ends: all, those of a group, or one that hit before it</source>
        <translation>Die Erschütterungen, die sie beendet: alle, die einer Gruppe oder eine, die vorher eingeschlagen hat</translation>
    </message>
</context>
<context>
    <name>ember::app::FindPanel</name>
    <message>
        <source>sound and picture</source>
        <translation>Ton und Bild</translation>
    </message>
    <message>
        <source>sound</source>
        <translation>Ton</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>all pitches</source>
        <translation>alle Höhen</translation>
    </message>
    <message>
        <source>low</source>
        <translation>tief</translation>
    </message>
    <message>
        <source>middle</source>
        <translation>mittel</translation>
    </message>
    <message>
        <source>high</source>
        <translation>hoch</translation>
    </message>
    <message>
        <source>Which part of the sound is listened to: low is below 240 Hz, high above 2.4 kHz</source>
        <translation>Welcher Teil des Tons gehört wird: tief ist unter 240 Hz, hoch über 2.4 kHz</translation>
    </message>
    <message>
        <source>Sensitivity</source>
        <translation>Empfindlichkeit</translation>
    </message>
    <message>
        <source>Apart</source>
        <translation>Abstand</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Closes finding (Ctrl+F)</source>
        <translation>Schließt das Finden (Ctrl+F)</translation>
    </message>
    <message>
        <source>Other sound</source>
        <translation>Anderer Ton</translation>
    </message>
    <message>
        <source>Takes the film&apos;s sound from another file: its music or its effects</source>
        <translation>Nimmt den Ton des Films aus einer anderen Datei: Musik oder Effekte</translation>
    </message>
    <message>
        <source>Shape from sound</source>
        <translation>Form nach dem Ton</translation>
    </message>
    <message>
        <source>What is accepted is felt as it sounds: its own attack, decay and rumble</source>
        <translation>Was angenommen wird, ist zu spüren, wie es klingt: mit eigenem Anstieg, Abklingen und Grollen</translation>
    </message>
    <message>
        <source>Sound offset</source>
        <translation>Tonversatz</translation>
    </message>
    <message>
        <source>Sound laid %1 s later</source>
        <translation>Ton %1 s später gelegt</translation>
    </message>
    <message>
        <source>Analysing sound and picture</source>
        <translation>Prüft Ton und Bild</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Stops finding</source>
        <translation>Hält das Finden an</translation>
    </message>
    <message>
        <source>Align</source>
        <translation>Angleichen</translation>
    </message>
    <message>
        <source>Lays the sound so that it comes with the picture, for the whole film</source>
        <translation>Legt den Ton so, dass er mit dem Bild kommt, für den ganzen Film</translation>
    </message>
    <message>
        <source>Accept all</source>
        <translation>Alle annehmen</translation>
    </message>
    <message>
        <source>Every proposal becomes a strike with its kind&apos;s recipe (Shift+A)</source>
        <translation>Jeder Vorschlag wird ein Schlag mit dem Rezept seiner Art (Shift+A)</translation>
    </message>
    <message>
        <source>Accept</source>
        <translation>Annehmen</translation>
    </message>
    <message>
        <source>Reject</source>
        <translation>Ablehnen</translation>
    </message>
    <message>
        <source>Bring back</source>
        <translation>Zurückholen</translation>
    </message>
    <message>
        <source>to event</source>
        <translation>zum Ereignis</translation>
    </message>
    <message>
        <source>Pulls the selected strikes to the nearest event that was found</source>
        <translation>Zieht die gewählten Schläge zum nächsten gefundenen Ereignis</translation>
    </message>
    <message>
        <source>to beat</source>
        <translation>zum Beat</translation>
    </message>
    <message>
        <source>Pulls the selected strikes to the nearest beat</source>
        <translation>Zieht die gewählten Schläge zum nächsten Beat</translation>
    </message>
    <message>
        <source>Sound laid with the picture</source>
        <translation>Ton an das Bild gelegt</translation>
    </message>
    <message>
        <source>Step to a proposal with the full stop and comma keys</source>
        <translation>Mit Punkt und Komma von Vorschlag zu Vorschlag gehen</translation>
    </message>
    <message>
        <source>%1 picked</source>
        <translation>%1 gewählt</translation>
    </message>
    <message>
        <source>All decided</source>
        <translation>Alles entschieden</translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 von %2</translation>
    </message>
    <message>
        <source>Nothing to propose</source>
        <translation>Nichts vorzuschlagen</translation>
    </message>
    <message>
        <source>%1 proposed</source>
        <translation>%1 Vorschläge</translation>
    </message>
    <message>
        <source>, sure to %1 %</source>
        <translation>, sicher zu %1 %</translation>
    </message>
    <message>
        <source>, sound %1 f late</source>
        <translation>, Ton %1 B spät</translation>
    </message>
    <message>
        <source>, sound %1 f early</source>
        <translation>, Ton %1 B früh</translation>
    </message>
    <message>
        <source>a higher sensitivity may find more</source>
        <translation>mehr Empfindlichkeit findet vielleicht mehr</translation>
    </message>
    <message>
        <source>sound %1 f late</source>
        <translation>Ton %1 B spät</translation>
    </message>
    <message>
        <source>sound %1 f early</source>
        <translation>Ton %1 B früh</translation>
    </message>
    <message>
        <source>Nothing is proposed</source>
        <translation>Nichts wird vorgeschlagen</translation>
    </message>
    <message>
        <source>Nothing was found yet</source>
        <translation>Noch wurde nichts gefunden</translation>
    </message>
    <message>
        <source>Step to a proposal first, with the full stop key</source>
        <translation>Erst zu einem Vorschlag gehen, mit der Punkt-Taste</translation>
    </message>
    <message>
        <source>Select strikes first</source>
        <translation>Erst Schläge wählen</translation>
    </message>
    <message>
        <source>Nothing was rejected</source>
        <translation>Nichts wurde abgelehnt</translation>
    </message>
    <message>
        <source>The film has no sound to take shapes from</source>
        <translation>Der Film hat keinen Ton, dem Formen zu entnehmen wären</translation>
    </message>
    <message>
        <source>No beat is known</source>
        <translation>Kein Beat ist bekannt</translation>
    </message>
    <message>
        <source>1 strike pulled</source>
        <translation>1 Schlag gezogen</translation>
    </message>
    <message>
        <source>%1 strikes pulled</source>
        <translation>%1 Schläge gezogen</translation>
    </message>
    <message>
        <source>, %1 with nothing near</source>
        <translation>, %1 ohne etwas in der Nähe</translation>
    </message>
    <message>
        <source>Film sound</source>
        <translation>Filmton</translation>
    </message>
    <message>
        <source>Sounds (*.wav *.flac *.mp3 *.ogg *.opus *.m4a *.aac *.aif *.aiff *.mp4 *.mov *.mkv);;All files (*)</source>
        <translation>Töne (*.wav *.flac *.mp3 *.ogg *.opus *.m4a *.aac *.aif *.aiff *.mp4 *.mov *.mkv);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Sound from %1</source>
        <translation>Ton aus %1</translation>
    </message>
    <message>
        <source>Find strikes</source>
        <translation>Schläge finden</translation>
    </message>
    <message>
        <source>Pull selected strikes</source>
        <translation>Gewählte Schläge ziehen</translation>
    </message>
    <message>
        <source>within</source>
        <translation>binnen</translation>
    </message>
    <message>
        <source>The evidence: sound, picture or both</source>
        <translation>Woran ein Schlag erkannt wird</translation>
    </message>
    <message>
        <source>Makes strikes of the current proposal, or of those picked on the Reel (A)</source>
        <translation>Der aktuelle Vorschlag oder die auf dem Filmband gewählten werden Schläge (A)</translation>
    </message>
    <message>
        <source>Discards the current proposal, or those picked on the Reel (R)</source>
        <translation>Der aktuelle Vorschlag oder die auf dem Filmband gewählten gehen (R)</translation>
    </message>
    <message>
        <source>Proposes again what was rejected last; once more: what was before</source>
        <translation>Schlägt wieder vor, was zuletzt abgelehnt wurde; noch einmal: was davor</translation>
    </message>
    <message>
        <source>More like this</source>
        <translation>Mehr solche</translation>
    </message>
    <message>
        <source>Picks all that sound or look like it, faint ones too; A then accepts them (Shift+E)</source>
        <translation>Wählt alle, die ähnlich klingen oder aussehen, auch schwache; A nimmt sie dann an (Umschalt+E)</translation>
    </message>
    <message>
        <source>None like this</source>
        <translation>Keine solchen</translation>
    </message>
    <message>
        <source>Rejects it and all proposals that sound or look like it (Shift+R)</source>
        <translation>Lehnt ihn und alle Vorschläge ab, die ähnlich klingen oder aussehen (Umschalt+R)</translation>
    </message>
    <message>
        <source>Why: %1</source>
        <translation>Warum: %1</translation>
    </message>
    <message>
        <source>Tails</source>
        <translation>Nachklang</translation>
    </message>
    <message>
        <source>Proposes what events leave behind, too: debris and echoes</source>
        <translation>Schlägt auch vor, was Ereignisse hinterlassen: Trümmer und Echos</translation>
    </message>
    <message>
        <source>The film has no sound</source>
        <translation>Der Film hat keinen Ton</translation>
    </message>
</context>
<context>
    <name>ember::app::Finder</name>
    <message>
        <source>There is nothing left to decide</source>
        <translation>Es ist nichts mehr zu entscheiden</translation>
    </message>
    <message>
        <source>Find strikes first, with Ctrl+F</source>
        <translation>Erst Schläge finden, mit Ctrl+F</translation>
    </message>
    <message>
        <source>That was the last one</source>
        <translation>Das war der letzte</translation>
    </message>
    <message>
        <source>That was the first one</source>
        <translation>Das war der erste</translation>
    </message>
    <message>
        <source>%1 rejected; Bring back proposes them again</source>
        <translation>%1 abgelehnt; Zurückholen schlägt sie wieder vor</translation>
    </message>
    <message>
        <source>Frame %1 rejected; Bring back proposes it again</source>
        <translation>Bild %1 abgelehnt; Zurückholen schlägt es wieder vor</translation>
    </message>
    <message>
        <source>heard and seen</source>
        <translation>gehört und gesehen</translation>
    </message>
    <message>
        <source>seen</source>
        <translation>gesehen</translation>
    </message>
    <message>
        <source>heard</source>
        <translation>gehört</translation>
    </message>
    <message>
        <source>by the beat alone</source>
        <translation>nur nach dem Beat</translation>
    </message>
    <message>
        <source>%1 on frame %2, %3 %, %4</source>
        <translation>%1 auf Bild %2, %3 %, %4</translation>
    </message>
    <message>
        <source>Nothing else is like it</source>
        <translation>Nichts anderes gleicht ihm</translation>
    </message>
    <message>
        <source>1 is picked; A accepts it</source>
        <translation>1 gewählt; A nimmt ihn an</translation>
    </message>
    <message>
        <source>%1 are picked; A accepts them, R rejects them</source>
        <translation>%1 gewählt; A nimmt sie an, R lehnt sie ab</translation>
    </message>
    <message>
        <source>1 rejected; Bring back proposes it again</source>
        <translation>1 abgelehnt; Zurückholen schlägt ihn wieder vor</translation>
    </message>
    <message>
        <source>the sound rises by %1 dB</source>
        <translation>der Ton steigt um %1 dB</translation>
    </message>
    <message>
        <source>it is %1 dB above what is around</source>
        <translation>er liegt %1 dB über dem Umfeld</translation>
    </message>
    <message>
        <source>light comes (%1 %)</source>
        <translation>Licht kommt (%1 %)</translation>
    </message>
    <message>
        <source>what moves loses %1 % of its speed</source>
        <translation>was sich bewegt, verliert %1 % seiner Geschwindigkeit</translation>
    </message>
    <message>
        <source>what moves turns</source>
        <translation>was sich bewegt, wendet sich</translation>
    </message>
    <message>
        <source>something new is there</source>
        <translation>etwas Neues ist da</translation>
    </message>
    <message>
        <source>the camera is jolted</source>
        <translation>die Kamera wird erschüttert</translation>
    </message>
    <message>
        <source>it belongs to what is heard %1 s before</source>
        <translation>es gehört zu dem, was %1 s davor zu hören ist</translation>
    </message>
</context>
<context>
    <name>ember::app::FinishBlock</name>
    <message>
        <source>%1 edges</source>
        <translation>Ränder %1</translation>
    </message>
    <message>
        <source>no cover</source>
        <translation>keine Deckung</translation>
    </message>
    <message>
        <source>%1 cover</source>
        <translation>Deckung %1</translation>
    </message>
    <message>
        <source>Motion blur (its shutter angle) and letterbox bars: to the Finish page (F8)</source>
        <translation>Bewegungsunschärfe (Verschlusswinkel) und Letterbox-Balken: zur Finish-Seite (F8)</translation>
    </message>
    <message>
        <source>Render film</source>
        <translation>Film rendern</translation>
    </message>
    <message>
        <source>Choose where and how to render (Ctrl+R)</source>
        <translation>Wählen, wohin und wie gerendert wird (Ctrl+R)</translation>
    </message>
    <message>
        <source>blur %1°</source>
        <translation>Unschärfe %1°</translation>
    </message>
    <message>
        <source>no blur</source>
        <translation>keine Unschärfe</translation>
    </message>
    <message>
        <source>bars %1</source>
        <translation>Balken %1</translation>
    </message>
    <message>
        <source>no bars</source>
        <translation>keine Balken</translation>
    </message>
    <message>
        <source>No frame shows its border.</source>
        <translation>Kein Bild zeigt seinen Rand.</translation>
    </message>
    <message>
        <source>Frame %1 leaves the picture: no zoom hides its border.</source>
        <translation>Bild %1 verlässt das Bildfeld: kein Zoom verdeckt seinen Rand.</translation>
    </message>
    <message>
        <source>%1 % would hide the borders (frame %2).</source>
        <translation>%1 % würden die Ränder verdecken (Bild %2).</translation>
    </message>
    <message>
        <source>Zoomed to %1 %, set by frame %2.</source>
        <translation>Auf %1 % gezoomt, bestimmt von Bild %2.</translation>
    </message>
    <message>
        <source>Constant: the whole film is enlarged by just as much as hides every border; breathing: only around each strike.</source>
        <translation>Konstant: der ganze Film ist um so viel vergrößert, wie jeden Rand verdeckt; atmend: nur um jeden Schlag herum.</translation>
    </message>
    <message>
        <source>What fills the frame where the picture has moved away from its edge</source>
        <translation>Was zu sehen ist, wo sich das Bild vom Rand wegbewegt hat</translation>
    </message>
</context>
<context>
    <name>ember::app::FinishPage</name>
    <message>
        <source>%1 to %2</source>
        <translation>%1 bis %2</translation>
    </message>
    <message>
        <source>Go to the worst frame</source>
        <translation>Zum schlimmsten Bild</translation>
    </message>
    <message>
        <source>Moves the playhead to the frame that needs the largest cover</source>
        <translation>Geht zu dem Bild, das die größte Deckung braucht</translation>
    </message>
    <message>
        <source>Edges and cover</source>
        <translation>Ränder und Deckung</translation>
    </message>
    <message>
        <source>What fills the border, and how far it is hidden</source>
        <translation>Was den Rand füllt, und wie weit er verdeckt ist</translation>
    </message>
    <message>
        <source>Breathing speed</source>
        <translation>Atemtempo</translation>
    </message>
    <message>
        <source>Use the bars</source>
        <translation>Balken nutzen</translation>
    </message>
    <message>
        <source>The plain colour, such as #1a2b3c</source>
        <translation>Die Farbfläche, wie #1a2b3c</translation>
    </message>
    <message>
        <source>Plain colour %1</source>
        <translation>Farbfläche %1</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>Motion blur</source>
        <translation>Bewegungsunschärfe</translation>
    </message>
    <message>
        <source>The shake as a shutter sees it, added up in linear light</source>
        <translation>Die Erschütterung, wie ein Verschluss sie sieht, in linearem Licht addiert</translation>
    </message>
    <message>
        <source>centred</source>
        <translation>um das Bild herum</translation>
    </message>
    <message>
        <source>from the frame on</source>
        <translation>ab dem Bild</translation>
    </message>
    <message>
        <source>up to the frame</source>
        <translation>bis zum Bild</translation>
    </message>
    <message>
        <source>shifted</source>
        <translation>verschoben</translation>
    </message>
    <message>
        <source>When the shutter is open, against the frame&apos;s own instant; the percents beside it say the same in parts of a frame</source>
        <translation>Wann der Verschluss offen ist, gemessen am Zeitpunkt des Bildes; die Prozente daneben sagen dasselbe in Teilen eines Bildes</translation>
    </message>
    <message>
        <source>Exposure %1</source>
        <translation>Belichtung %1</translation>
    </message>
    <message>
        <source>Exposed</source>
        <translation>Belichtet</translation>
    </message>
    <message>
        <source>Letterbox</source>
        <translation>Letterbox</translation>
    </message>
    <message>
        <source>Black bars, drawn last</source>
        <translation>Schwarze Balken, zuletzt gezeichnet</translation>
    </message>
    <message>
        <source>The usual ratios; any other is typed beside it</source>
        <translation>Die üblichen Verhältnisse; jedes andere wird daneben eingegeben</translation>
    </message>
    <message>
        <source>none</source>
        <translation>ohne</translation>
    </message>
    <message>
        <source>own</source>
        <translation>eigene</translation>
    </message>
    <message>
        <source>No letterbox</source>
        <translation>Keine Letterbox</translation>
    </message>
    <message>
        <source>Letterbox %1</source>
        <translation>Letterbox %1</translation>
    </message>
    <message>
        <source>Preset</source>
        <translation>Vorgabe</translation>
    </message>
    <message>
        <source>Ratio</source>
        <translation>Verhältnis</translation>
    </message>
    <message>
        <source>Shown</source>
        <translation>Gezeigt</translation>
    </message>
    <message>
        <source>Switch an effect off everywhere to see what it does; the film is rendered like that</source>
        <translation>Einen Effekt überall ausschalten, um zu sehen, was er tut; der Film wird so gerendert</translation>
    </message>
    <message>
        <source>Blur</source>
        <translation>Unschärfe</translation>
    </message>
    <message>
        <source>Streak</source>
        <translation>Schliere</translation>
    </message>
    <message>
        <source>Radial</source>
        <translation>Radial</translation>
    </message>
    <message>
        <source>Fringe</source>
        <translation>Farbsaum</translation>
    </message>
    <message>
        <source>Flash</source>
        <translation>Blitz</translation>
    </message>
    <message>
        <source>Flicker</source>
        <translation>Flackern</translation>
    </message>
    <message>
        <source>Layers</source>
        <translation>Ebenen</translation>
    </message>
    <message>
        <source>Add picture</source>
        <translation>Bild hinzufügen</translation>
    </message>
    <message>
        <source>A picture with transparency over the shot, such as a title</source>
        <translation>Ein Bild mit Transparenz über der Einstellung, etwa ein Titel</translation>
    </message>
    <message>
        <source>Pictures over the shot; the lowest comes first</source>
        <translation>Bilder über der Einstellung; das unterste zuerst</translation>
    </message>
    <message>
        <source>Add a picture</source>
        <translation>Ein Bild hinzufügen</translation>
    </message>
    <message>
        <source>Layer %1 added</source>
        <translation>Ebene %1 hinzugefügt</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Layer removed</source>
        <translation>Ebene entfernt</translation>
    </message>
    <message>
        <source>%1 (cannot be read)</source>
        <translation>%1 (nicht lesbar)</translation>
    </message>
    <message>
        <source>Open a clip first</source>
        <translation>Erst einen Clip öffnen</translation>
    </message>
    <message>
        <source>No frame shows its border</source>
        <translation>Kein Bild zeigt seinen Rand</translation>
    </message>
    <message>
        <source>No frame shows its border.</source>
        <translation>Kein Bild zeigt seinen Rand.</translation>
    </message>
    <message>
        <source>At least %1 % are needed, on frame %2.</source>
        <translation>Mindestens %1 % sind nötig, auf Bild %2.</translation>
    </message>
    <message>
        <source>Frame %1 leaves the picture: no zoom hides its border.</source>
        <translation>Bild %1 verlässt das Bildfeld: kein Zoom verdeckt seinen Rand.</translation>
    </message>
    <message>
        <source> Here it is %1 %.</source>
        <translation> Hier sind es %1 %.</translation>
    </message>
    <message>
        <source>Off. 180° is half of each frame.</source>
        <translation>Aus. 180° ist die Hälfte jedes Bildes.</translation>
    </message>
    <message>
        <source>Frame %1 stands still while the shutter is open.</source>
        <translation>Bild %1 steht still, solange der Verschluss offen ist.</translation>
    </message>
    <message>
        <source>Frame %1 is seen at %2 instants.</source>
        <translation>Bild %1 ist in %2 Momenten zu sehen.</translation>
    </message>
    <message>
        <source>No bars.</source>
        <translation>Keine Balken.</translation>
    </message>
    <message>
        <source>The bars hide %1 %.</source>
        <translation>Die Balken verdecken %1 %.</translation>
    </message>
    <message>
        <source> No zoom needed.</source>
        <translation> Kein Zoom nötig.</translation>
    </message>
    <message>
        <source> The cover uses them.</source>
        <translation> Die Deckung nutzt sie.</translation>
    </message>
    <message>
        <source> Frame %1 shows beyond the source.</source>
        <translation> Bild %1 zeigt über die Quelle hinaus.</translation>
    </message>
    <message>
        <source> %1 frames show beyond the source: %2.</source>
        <translation> %1 Bilder zeigen über die Quelle hinaus: %2.</translation>
    </message>
    <message>
        <source>Removes the layer; its file stays</source>
        <translation>Entfernt die Ebene; ihre Datei bleibt</translation>
    </message>
    <message>
        <source>Impact frames</source>
        <translation>Einschlagbilder</translation>
    </message>
    <message>
        <source>Defocus</source>
        <translation>Unschärfe</translation>
    </message>
    <message>
        <source>Ripple</source>
        <translation>Druckwelle</translation>
    </message>
    <message>
        <source>Grain</source>
        <translation>Korn</translation>
    </message>
    <message>
        <source>Exposure kick</source>
        <translation>Belichtungsstoß</translation>
    </message>
</context>
<context>
    <name>ember::app::FrameBlock</name>
    <message>
        <source>2160p</source>
        <translation>2160p</translation>
    </message>
    <message>
        <source>1080p</source>
        <translation>1080p</translation>
    </message>
    <message>
        <source>720p</source>
        <translation>720p</translation>
    </message>
    <message>
        <source>upright, 9:16</source>
        <translation>hochkant, 9:16</translation>
    </message>
    <message>
        <source>upright, 4:5</source>
        <translation>hochkant, 4:5</translation>
    </message>
    <message>
        <source>square</source>
        <translation>quadratisch</translation>
    </message>
    <message>
        <source>wide, 2.39:1</source>
        <translation>breit, 2,39:1</translation>
    </message>
    <message>
        <source>%1 x %2</source>
        <translation>%1 x %2</translation>
    </message>
    <message>
        <source>%1 fps</source>
        <translation>%1 B/s</translation>
    </message>
    <message>
        <source>Sizes</source>
        <translation>Größen</translation>
    </message>
    <message>
        <source>Usual frame sizes</source>
        <translation>Übliche Bildgrößen</translation>
    </message>
    <message>
        <source>Pixel amounts follow the frame size</source>
        <translation>Pixelwerte folgen der Bildgröße</translation>
    </message>
    <message>
        <source>Frame</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>Frame size</source>
        <translation>Bildgröße</translation>
    </message>
    <message>
        <source>Width and height of the film in pixels, such as 1080 x 1920, up to 8192. Strikes stay on their frames; shots fill the frame, or as each says below.</source>
        <translation>Breite und Höhe des Films in Pixeln, etwa 1080 x 1920, bis 8192. Schläge bleiben auf ihren Bildern; Einstellungen füllen das Bild oder liegen, wie jede unten sagt.</translation>
    </message>
    <message>
        <source>Frame rate</source>
        <translation>Bildrate</translation>
    </message>
    <message>
        <source>Frames a second of the film. Strikes and everything else stay at their seconds.</source>
        <translation>Bilder pro Sekunde. Schläge und alles andere bleiben bei ihren Sekunden.</translation>
    </message>
    <message>
        <source>When the size changes, all amounts in pixels grow with the frame; off: they stay as they are</source>
        <translation>Ändert sich die Größe, wachsen alle Werte in Pixeln mit dem Bild; aus: sie bleiben, wie sie sind</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>as the first clip</source>
        <translation>wie der erste Clip</translation>
    </message>
    <message>
        <source>The size of the first clip is not known.</source>
        <translation>Die Größe des ersten Clips ist nicht bekannt.</translation>
    </message>
    <message>
        <source>“%1” is no frame size. Type for example 1080 x 1920, from 16 to 8192 a side.</source>
        <translation>„%1“ ist keine Bildgröße. Zum Beispiel 1080 x 1920 eingeben, 16 bis 8192 je Seite.</translation>
    </message>
    <message>
        <source>The film is %1 pixels</source>
        <translation>Der Film hat %1 Pixel</translation>
    </message>
    <message>
        <source>The film has %1</source>
        <translation>Der Film hat %1</translation>
    </message>
</context>
<context>
    <name>ember::app::FrameStrip</name>
    <message>
        <source>The frames around the proposal; a click goes there</source>
        <translation>Die Bilder um den Vorschlag; ein Klick geht dorthin</translation>
    </message>
    <message>
        <source>frame %1</source>
        <translation>Bild %1</translation>
    </message>
    <message>
        <source>Go there</source>
        <translation>Dorthin gehen</translation>
    </message>
</context>
<context>
    <name>ember::app::GuideWindow</name>
    <message>
        <source>Guide – Vast Ember</source>
        <translation>Anleitung – Vast Ember</translation>
    </message>
    <message>
        <source>Back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>Guide</source>
        <translation>Anleitung</translation>
    </message>
    <message>
        <source>Shortcuts</source>
        <translation>Tastenkürzel</translation>
    </message>
    <message>
        <source>Finding</source>
        <translation>Finden</translation>
    </message>
    <message>
        <source>Recipes</source>
        <translation>Rezepte</translation>
    </message>
    <message>
        <source>Finishing</source>
        <translation>Finish</translation>
    </message>
    <message>
        <source>Batch tool</source>
        <translation>Stapelwerkzeug</translation>
    </message>
    <message>
        <source>The pages of the guide were not installed beside the program.</source>
        <translation>Die Seiten der Anleitung wurden nicht mit dem Programm installiert.</translation>
    </message>
</context>
<context>
    <name>ember::app::HandLayer</name>
    <message>
        <source>Nothing of it would be seen: the strength is 0 or x and y are off</source>
        <translation>Nichts davon wäre zu sehen: die Stärke ist 0 oder x und y sind aus</translation>
    </message>
    <message>
        <source>x %1, y %2</source>
        <translation>x %1, y %2</translation>
    </message>
    <message>
        <source>Nothing of it would be seen: the strength is 0 or this axis is off</source>
        <translation>Nichts davon wäre zu sehen: die Stärke ist 0 oder diese Achse ist aus</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>strike</source>
        <translation>Schlag</translation>
    </message>
    <message>
        <source>Drag: x, y   Ctrl + wheel: roll   Shift + wheel: zoom   arrows: 1 px   , and . step a frame</source>
        <translation>Ziehen: x, y   Strg + Rad: Roll   Umschalt + Rad: Zoom   Pfeile: 1 px   , und . ein Bild weiter</translation>
    </message>
</context>
<context>
    <name>ember::app::HandWork</name>
    <message>
        <source>Open a clip first: keys need frames to stand on</source>
        <translation>Zuerst einen Clip öffnen: Keys brauchen Bilder</translation>
    </message>
    <message>
        <source>Select one strike to move the picture by hand</source>
        <translation>Einen Schlag wählen, um das Bild von Hand zu bewegen</translation>
    </message>
    <message>
        <source>Strike by hand</source>
        <translation>Schlag von Hand</translation>
    </message>
    <message>
        <source>By hand, for this strike only: drag the picture, step a frame, drag again</source>
        <translation>Von Hand, nur für diesen Schlag: das Bild ziehen, ein Bild weiter, wieder ziehen</translation>
    </message>
    <message>
        <source>By hand: drag the picture, step a frame, drag again</source>
        <translation>Von Hand: das Bild ziehen, ein Bild weiter, wieder ziehen</translation>
    </message>
    <message>
        <source>Nothing of it would be seen: the strength is 0 or this axis is off</source>
        <translation>Nichts davon wäre zu sehen: die Stärke ist 0 oder diese Achse ist aus</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>Keys of this frame deleted</source>
        <translation>Keys dieses Bildes gelöscht</translation>
    </message>
    <message>
        <source>This frame has no keys</source>
        <translation>Dieses Bild hat keine Keys</translation>
    </message>
</context>
<context>
    <name>ember::app::HandleTag</name>
    <message>
        <source>More of %1: slope and bend (Alt+Down in its number)</source>
        <translation>Mehr zu %1: Flanke und Biegung (Alt+Runter in seiner Zahl)</translation>
    </message>
</context>
<context>
    <name>ember::app::HintStrip</name>
    <message>
        <source>Close for good</source>
        <translation>Endgültig schließen</translation>
    </message>
    <message>
        <source>These hints do not come again; Help, First steps brings them back</source>
        <translation>Diese Hinweise kommen nicht wieder; Hilfe, Erste Schritte holt sie zurück</translation>
    </message>
    <message>
        <source>Open a clip (Ctrl+O), drop one here, or open the demo.</source>
        <translation>Einen Clip öffnen (Ctrl+O), hierher ziehen, oder die Demo öffnen.</translation>
    </message>
    <message>
        <source>Step to the frame of contact (arrow keys) and press S. Ctrl+F finds all strikes.</source>
        <translation>Zum Bild des Kontakts gehen (Pfeiltasten) und S drücken. Ctrl+F findet alle Schläge.</translation>
    </message>
    <message>
        <source>Shape it on the Anvil: drag peak, decay and rumble over the film frames.</source>
        <translation>Auf dem Amboss formen: Gipfel, Abklingen und Grollen über den Filmbildern ziehen.</translation>
    </message>
    <message>
        <source>Space plays, L loops; hold C to see the frame unshaken. All can be undone.</source>
        <translation>Leertaste spielt, L wiederholt; C gehalten zeigt das Bild ohne Erschütterung. Alles lässt sich zurücknehmen.</translation>
    </message>
    <message>
        <source>Ctrl+R renders the film. F2 finds any action by its name, F1 is the guide.</source>
        <translation>Ctrl+R rendert den Film. F2 findet jede Aktion nach ihrem Namen, F1 ist die Anleitung.</translation>
    </message>
    <message>
        <source>%1 of %2   %3</source>
        <translation>%1 von %2   %3</translation>
    </message>
    <message>
        <source>Done</source>
        <translation>Fertig</translation>
    </message>
    <message>
        <source>Next</source>
        <translation>Weiter</translation>
    </message>
    <message>
        <source>Closes the hints</source>
        <translation>Schließt die Hinweise</translation>
    </message>
    <message>
        <source>The next step</source>
        <translation>Der nächste Schritt</translation>
    </message>
</context>
<context>
    <name>ember::app::ImportSheet</name>
    <message>
        <source>Import</source>
        <translation>Importieren</translation>
    </message>
    <message>
        <source>Import strikes from %1</source>
        <translation>Schläge aus %1 importieren</translation>
    </message>
    <message>
        <source>Frames and timecodes of the list count at</source>
        <translation>Bilder und Timecodes der Liste zählen mit</translation>
    </message>
    <message>
        <source>Frames a second: 25, or 24000/1001</source>
        <translation>Bilder je Sekunde: 25 oder 24000/1001</translation>
    </message>
    <message>
        <source>Frame</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Seconds</source>
        <translation>Sekunden</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Which column of the list is the %1</source>
        <translation>Welche Spalte der Liste %1 ist</translation>
    </message>
    <message>
        <source>none</source>
        <translation>ohne</translation>
    </message>
    <message>
        <source>The rate should be a whole number or a fraction, such as 25 or 24000/1001.</source>
        <translation>Die Bildrate sollte eine ganze Zahl oder ein Bruch sein, wie 25 oder 24000/1001.</translation>
    </message>
    <message>
        <source>a second, as the film&apos;s</source>
        <translation>je Sekunde, wie der Film</translation>
    </message>
    <message>
        <source>a second; the film has %1, so frame 100 becomes frame %2</source>
        <translation>je Sekunde; der Film hat %1, also wird Bild 100 zu Bild %2</translation>
    </message>
    <message>
        <source>There are no strikes in this list.</source>
        <translation>In dieser Liste sind keine Schläge.</translation>
    </message>
    <message>
        <source>Importing this: %1</source>
        <translation>Importiert wird: %1</translation>
    </message>
    <message>
        <source>Puts these strikes into the film; undo takes them back</source>
        <translation>Setzt diese Schläge in den Film; Rückgängig nimmt sie zurück</translation>
    </message>
    <message>
        <source>past the end, left out</source>
        <translation>nach dem Ende, weggelassen</translation>
    </message>
    <message>
        <source>joins the one on its frame</source>
        <translation>kommt zu dem auf seinem Bild</translation>
    </message>
    <message>
        <source>Take the score&apos;s beats</source>
        <translation>Beats der Partitur übernehmen</translation>
    </message>
    <message>
        <source>The film&apos;s beat grid follows the score&apos;s tempo map and its bars. On where the film has no beats yet.</source>
        <translation>Das Taktraster des Films folgt dem Tempo und den Takten der Partitur. Eingeschaltet, wo der Film noch keines hat.</translation>
    </message>
</context>
<context>
    <name>ember::app::InputRules</name>
    <message>
        <source>“%1” was not taken: this has to look like “%2”.</source>
        <translation>„%1“ wurde nicht genommen: es muss aussehen wie „%2“.</translation>
    </message>
</context>
<context>
    <name>ember::app::JournalKeeper</name>
    <message>
        <source>Unsaved work is not being kept for the case of a crash: %1</source>
        <translation>Ungespeicherte Arbeit wird für den Fall eines Absturzes nicht gesichert: %1</translation>
    </message>
</context>
<context>
    <name>ember::app::KeyRows</name>
    <message>
        <source>Go</source>
        <translation>Hin</translation>
    </message>
    <message>
        <source>Moves the playhead there</source>
        <translation>Geht mit dem Abspielpunkt dorthin</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Deletes it</source>
        <translation>Nimmt es weg</translation>
    </message>
</context>
<context>
    <name>ember::app::LightBlock</name>
    <message>
        <source>Light</source>
        <translation>Licht</translation>
    </message>
    <message>
        <source>Light effects of this recipe&apos;s strikes</source>
        <translation>Was die Schläge dieses Rezepts mit dem Licht des Bildes tun</translation>
    </message>
</context>
<context>
    <name>ember::app::LiveAutoplay</name>
    <message>
        <source>Playing by itself</source>
        <translation>Spielt von selbst</translation>
    </message>
    <message>
        <source>Play MIDI notes</source>
        <translation>MIDI-Noten spielen</translation>
    </message>
    <message>
        <source>Plays the notes of a Standard MIDI file on the pads, as a player would</source>
        <translation>Spielt die Noten einer Standard-MIDI-Datei auf den Pads, wie ein Spieler</translation>
    </message>
    <message>
        <source>Let bodies fall</source>
        <translation>Körper fallen lassen</translation>
    </message>
    <message>
        <source>The drop bench&apos;s sample, or the scene that was opened, falls, and each impact strikes the pad of its kind</source>
        <translation>Das Beispiel der Fallbank oder die geöffnete Szene fällt, und jeder Aufprall schlägt das Pad seiner Art</translation>
    </message>
    <message>
        <source>Open scene</source>
        <translation>Szene öffnen</translation>
    </message>
    <message>
        <source>Another scene of the drop bench falls from now on</source>
        <translation>Ab jetzt fällt eine andere Szene der Fallbank</translation>
    </message>
    <message>
        <source>Stop the notes</source>
        <translation>Die Noten anhalten</translation>
    </message>
    <message>
        <source>Play the notes of</source>
        <translation>Die Noten spielen aus</translation>
    </message>
    <message>
        <source>Standard MIDI files (*.mid *.midi)</source>
        <translation>Standard-MIDI-Dateien (*.mid *.midi)</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>%1 notes of %2</source>
        <translation>%1 Noten aus %2</translation>
    </message>
    <message>
        <source>Open a scene</source>
        <translation>Eine Szene öffnen</translation>
    </message>
    <message>
        <source>Scenes (*.json)</source>
        <translation>Szenen (*.json)</translation>
    </message>
    <message>
        <source>%1 falls from now on</source>
        <translation>%1 fällt ab jetzt</translation>
    </message>
</context>
<context>
    <name>ember::app::LiveOutside</name>
    <message>
        <source>From outside</source>
        <translation>Von außen</translation>
    </message>
    <message>
        <source>Listen for OSC</source>
        <translation>Auf OSC hören</translation>
    </message>
    <message>
        <source>Other programs strike by OSC messages over UDP: /strike, /strike_at, /settle, /intensity</source>
        <translation>Andere Programme schlagen mit OSC-Nachrichten über UDP: /strike, /strike_at, /settle, /intensity</translation>
    </message>
    <message>
        <source>HOST:PORT. 127.0.0.1 is this machine alone; for any other you are asked first</source>
        <translation>HOST:PORT. 127.0.0.1 ist nur dieser Rechner; bei jedem anderen wird erst gefragt</translation>
    </message>
    <message>
        <source>Send the pose</source>
        <translation>Pose senden</translation>
    </message>
    <message>
        <source>Sends /pose with each picture&apos;s pose to another program</source>
        <translation>Sendet /pose mit der Pose jedes Bildes an ein anderes Programm</translation>
    </message>
    <message>
        <source>HOST:PORT it is sent to</source>
        <translation>HOST:PORT, wohin gesendet wird</translation>
    </message>
    <message>
        <source>Listening on port %1: %2 messages taken, %3 malformed, %4 unknown, %5 too long, %6 too many</source>
        <translation>Hört auf Port %1: %2 Nachrichten genommen, %3 fehlerhaft, %4 unbekannt, %5 zu lang, %6 zu viele</translation>
    </message>
    <message>
        <source>Nothing is listened to.</source>
        <translation>Es wird auf nichts gehört.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; is no address: write HOST:PORT, such as 127.0.0.1:9000</source>
        <translation>„%1“ ist keine Adresse: HOST:PORT schreiben, wie 127.0.0.1:9000</translation>
    </message>
    <message>
        <source>Go on</source>
        <translation>Weiter</translation>
    </message>
    <message>
        <source>Other machines will be able to strike this bench through %1. Listen there?</source>
        <translation>Andere Rechner können über %1 auf dieser Bank schlagen. Dort hören?</translation>
    </message>
    <message>
        <source>The pose will be sent to another machine, %1. Send it?</source>
        <translation>Die Pose wird an einen anderen Rechner gesendet, %1. Senden?</translation>
    </message>
</context>
<context>
    <name>ember::app::LivePicture</name>
    <message>
        <source>Open a clip, or choose the test chart</source>
        <translation>Einen Clip öffnen, oder das Testbild wählen</translation>
    </message>
    <message>
        <source>…</source>
        <translation>…</translation>
    </message>
</context>
<context>
    <name>ember::app::LiveRunner</name>
    <message>
        <source>Pad %1</source>
        <translation>Pad %1</translation>
    </message>
    <message>
        <source>Eased home over %1 frames</source>
        <translation>Über %1 Bilder ausgeklungen</translation>
    </message>
    <message>
        <source>Stopped</source>
        <translation>Angehalten</translation>
    </message>
    <message>
        <source>Nothing was struck, so nothing is recorded</source>
        <translation>Nichts wurde geschlagen, also ist nichts aufgenommen</translation>
    </message>
    <message>
        <source>1 strike recorded</source>
        <translation>1 Schlag aufgenommen</translation>
    </message>
    <message>
        <source>%1 strikes recorded</source>
        <translation>%1 Schläge aufgenommen</translation>
    </message>
    <message>
        <source>, %1 past the film&apos;s end left out</source>
        <translation>, %1 nach dem Ende des Films weggelassen</translation>
    </message>
    <message>
        <source>%1 more from outside</source>
        <translation>%1 weitere von außen</translation>
    </message>
    <message>
        <source>Note %1</source>
        <translation>Note %1</translation>
    </message>
    <message>
        <source>Pad %1 eased home over %2 frames</source>
        <translation>Pad %1 klingt über %2 Bilder aus</translation>
    </message>
    <message>
        <source>Pad %1 stopped</source>
        <translation>Pad %1 angehalten</translation>
    </message>
</context>
<context>
    <name>ember::app::LiveWindow</name>
    <message>
        <source>Live bench</source>
        <translation>Live-Bank</translation>
    </message>
    <message>
        <source>How strongly it shakes now, and the strongest of the last second</source>
        <translation>Wie stark es jetzt wackelt, und das Stärkste der letzten Sekunde</translation>
    </message>
    <message>
        <source>From the moment a press reaches the program to the end of painting the first picture that shows it: the last one, and the middle and the longest of the last hundred; pictures a second; frames of the film that none of them showed</source>
        <translation>Vom Moment, in dem ein Druck das Programm erreicht, bis das erste Bild fertig gemalt ist, das ihn zeigt: der letzte, und Mitte und längster der letzten hundert; Bilder je Sekunde; Filmbilder, die keines davon zeigte</translation>
    </message>
    <message>
        <source>The chosen pad</source>
        <translation>Das gewählte Pad</translation>
    </message>
    <message>
        <source>Pad %1: %2 m right, %3 m ahead</source>
        <translation>Pad %1: %2 m rechts, %3 m voraus</translation>
    </message>
    <message>
        <source>the playing film</source>
        <translation>der laufende Film</translation>
    </message>
    <message>
        <source>a still frame</source>
        <translation>ein Standbild</translation>
    </message>
    <message>
        <source>the test chart</source>
        <translation>das Testbild</translation>
    </message>
    <message>
        <source>Shake</source>
        <translation>Beben</translation>
    </message>
    <message>
        <source>Swaps the recipes of all pads at once (N goes to the other)</source>
        <translation>Tauscht die Rezepte aller Pads zugleich (N wechselt)</translation>
    </message>
    <message>
        <source>Rule</source>
        <translation>Regel</translation>
    </message>
    <message>
        <source>Sounds</source>
        <translation>Töne</translation>
    </message>
    <message>
        <source>Strikes are heard, where there is a sound device</source>
        <translation>Schläge sind zu hören, wo es ein Tongerät gibt</translation>
    </message>
    <message>
        <source>With the film&apos;s strikes</source>
        <translation>Mit den Schlägen des Films</translation>
    </message>
    <message>
        <source>The strikes on the Reel strike too when the film comes to them</source>
        <translation>Auch die Schläge auf dem Filmband schlagen, wenn der Film zu ihnen kommt</translation>
    </message>
    <message>
        <source>Record</source>
        <translation>Aufnehmen</translation>
    </message>
    <message>
        <source>What is struck from now on becomes strikes on the Reel (R)</source>
        <translation>Was ab jetzt geschlagen wird, wird zu Schlägen auf dem Filmband (R)</translation>
    </message>
    <message>
        <source>to frames</source>
        <translation>auf Bilder</translation>
    </message>
    <message>
        <source>to beats</source>
        <translation>auf Beats</translation>
    </message>
    <message>
        <source>to half beats</source>
        <translation>auf halbe Beats</translation>
    </message>
    <message>
        <source>to quarter beats</source>
        <translation>auf Viertelbeats</translation>
    </message>
    <message>
        <source>Ease home</source>
        <translation>Ausklingen</translation>
    </message>
    <message>
        <source>Stop all</source>
        <translation>Alles anhalten</translation>
    </message>
    <message>
        <source> %1 %</source>
        <translation> %1 %</translation>
    </message>
    <message>
        <source>intensity %1 %, most %2 %   frame %3</source>
        <translation>Intensität %1 %, höchste %2 %   Bild %3</translation>
    </message>
    <message>
        <source>no press yet</source>
        <translation>noch kein Druck</translation>
    </message>
    <message>
        <source>press to picture %1 ms (middle %2, most %3)</source>
        <translation>Druck bis Bild %1 ms (Mitte %2, höchste %3)</translation>
    </message>
    <message>
        <source>%1  %2/s, %3 lost</source>
        <translation>%1  %2/s, %3 verloren</translation>
    </message>
    <message>
        <source>Pad %1</source>
        <translation>Pad %1</translation>
    </message>
    <message>
        <source>%1, %2 %</source>
        <translation>%1, %2 %</translation>
    </message>
    <message>
        <source>Open a clip first: strikes are recorded into its film</source>
        <translation>Erst einen Clip öffnen: Schläge werden in seinen Film aufgenommen</translation>
    </message>
    <message>
        <source>End recording</source>
        <translation>Aufnahme beenden</translation>
    </message>
    <message>
        <source>Recorded strikes are on frames; set the film&apos;s tempo to put them on beats</source>
        <translation>Aufgenommene Schläge liegen auf Bildern; das Tempo des Films setzen, um sie auf Beats zu legen</translation>
    </message>
    <message>
        <source>The result of each press, newest first</source>
        <translation>Was aus jedem Druck wurde, der neueste zuerst</translation>
    </message>
    <message>
        <source>The picture: the film from the playhead on (in its loop, if that is on), the frame under the playhead, or a chart</source>
        <translation>Was bewegt wird: der Film ab dem Abspielpunkt (in seiner Schleife, wenn die an ist), das Bild am Abspielpunkt oder ein Testbild</translation>
    </message>
    <message>
        <source>Where recorded strikes are put</source>
        <translation>Worauf aufgenommene Schläge gesetzt werden</translation>
    </message>
    <message>
        <source>Everything is eased home (H); Shift+H only what the chosen pad struck</source>
        <translation>Alles klingt aus (H); Umschalt+H nur, was das gewählte Pad geschlagen hat</translation>
    </message>
    <message>
        <source>Everything stops at once, what is on its way and plays by itself too (X); Shift+X only what the chosen pad struck</source>
        <translation>Alles hält sofort an, auch was unterwegs ist und von selbst spielt (X); Umschalt+X nur, was das gewählte Pad geschlagen hat</translation>
    </message>
</context>
<context>
    <name>ember::app::MainWindow</name>
    <message>
        <source>Ready</source>
        <translation>Bereit</translation>
    </message>
    <message>
        <source>%1 opened</source>
        <translation>%1 geöffnet</translation>
    </message>
    <message>
        <source>Work on %1 that was not saved was kept on %2.</source>
        <translation>Nicht gespeicherte Arbeit an %1 wurde am %2 gesichert.</translation>
    </message>
    <message>
        <source>&amp;Undo: %1</source>
        <translation>&amp;Rückgängig: %1</translation>
    </message>
    <message>
        <source>&amp;Undo</source>
        <translation>&amp;Rückgängig</translation>
    </message>
    <message>
        <source>&amp;Redo: %1</source>
        <translation>&amp;Wiederholen: %1</translation>
    </message>
    <message>
        <source>&amp;Redo</source>
        <translation>&amp;Wiederholen</translation>
    </message>
    <message>
        <source>Open a clip first</source>
        <translation>Erst einen Clip öffnen</translation>
    </message>
    <message>
        <source>Select a strike first</source>
        <translation>Erst einen Schlag wählen</translation>
    </message>
    <message>
        <source>%1[*] – Vast Ember</source>
        <translation>%1[*] – Vast Ember</translation>
    </message>
    <message>
        <source>%1   %2 fps   %3 x %4   %5 frames</source>
        <translation>%1   %2 fps   %3 x %4   %5 Bilder</translation>
    </message>
    <message>
        <source>A render is running. Stop it and leave?</source>
        <translation>Ein Rendern läuft. Anhalten und verlassen?</translation>
    </message>
    <message>
        <source>Stop and leave</source>
        <translation>Anhalten und verlassen</translation>
    </message>
    <message>
        <source>Throw the unsaved work of %1 away?</source>
        <translation>Die ungespeicherte Arbeit an %1 verwerfen?</translation>
    </message>
    <message>
        <source>Throw away</source>
        <translation>Verwerfen</translation>
    </message>
    <message>
        <source>Vast Ember</source>
        <translation>Vast Ember</translation>
    </message>
    <message>
        <source>Open a clip, or drop one here. Ctrl+F finds what hits;
or step to the first frame of contact and press S: it shakes.
Shape it on the Anvil below, then render the film.</source>
        <translation>Einen Clip öffnen oder hierher ziehen. Ctrl+F findet, was einschlägt;
oder zum ersten Bild des Kontakts gehen und S drücken: es bebt.
Auf dem Amboss unten formen, dann den Film rendern.</translation>
    </message>
    <message>
        <source>Open a clip or project</source>
        <translation>Clip oder Projekt öffnen</translation>
    </message>
    <message>
        <source>Open the demo</source>
        <translation>Demo öffnen</translation>
    </message>
    <message>
        <source>Twelve seconds of a night shift at a foundry. It is drawn and sounded on this machine where it is not there yet, which takes about half a minute.</source>
        <translation>Zwölf Sekunden Nachtschicht in einer Gießerei. Sie wird auf diesem Rechner gezeichnet und vertont, wo es sie noch nicht gibt; das dauert etwa eine halbe Minute.</translation>
    </message>
    <message>
        <source>Start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>To the first frame (Home)</source>
        <translation>Zum ersten Bild (Home)</translation>
    </message>
    <message>
        <source>One frame back</source>
        <translation>Ein Bild zurück</translation>
    </message>
    <message>
        <source>One frame back (Left); with Shift, ten</source>
        <translation>Ein Bild zurück (Links); mit Shift zehn</translation>
    </message>
    <message>
        <source>Play</source>
        <translation>Abspielen</translation>
    </message>
    <message>
        <source>Play or pause (Space)</source>
        <translation>Abspielen oder Pause (Leertaste)</translation>
    </message>
    <message>
        <source>One frame on</source>
        <translation>Ein Bild weiter</translation>
    </message>
    <message>
        <source>One frame on (Right); with Shift, ten</source>
        <translation>Ein Bild weiter (Rechts); mit Shift zehn</translation>
    </message>
    <message>
        <source>Loop</source>
        <translation>Schleife</translation>
    </message>
    <message>
        <source>Play the loop over and over (L). I and O set its ends, Shift and drag on the Reel&apos;s ruler draws it; without one it runs around the selected strike.</source>
        <translation>Die Schleife immer wieder abspielen (L). I und O setzen ihre Enden, Shift und Ziehen auf dem Lineal des Filmbands zeichnet sie; ohne läuft sie um den gewählten Schlag.</translation>
    </message>
    <message>
        <source>Sound</source>
        <translation>Ton</translation>
    </message>
    <message>
        <source>Compare</source>
        <translation>Vergleichen</translation>
    </message>
    <message>
        <source>Hold to see the frame unshaken (hold C)</source>
        <translation>Gedrückt halten, um das Bild ohne Erschütterung zu sehen (C halten)</translation>
    </message>
    <message>
        <source>Put a strike on this frame (S); 1 blast, 2 landing, 3 hit, 4 beat</source>
        <translation>Auf dieses Bild einen Schlag setzen (S); 1 Explosion, 2 Landung, 3 Treffer, 4 Beat</translation>
    </message>
    <message>
        <source>automatic</source>
        <translation>automatisch</translation>
    </message>
    <message>
        <source>full size</source>
        <translation>volle Größe</translation>
    </message>
    <message>
        <source>half size</source>
        <translation>halbe Größe</translation>
    </message>
    <message>
        <source>quarter size</source>
        <translation>Viertelgröße</translation>
    </message>
    <message>
        <source>How finely the picture is shaken in this view; the film is always made in full</source>
        <translation>Wie fein das Bild in dieser Ansicht bewegt wird; der Film entsteht immer in voller Größe</translation>
    </message>
    <message>
        <source>Pause</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>Sound on or off while playing</source>
        <translation>Ton beim Abspielen an oder aus</translation>
    </message>
    <message>
        <source>loop %1 to %2</source>
        <translation>Schleife %1 bis %2</translation>
    </message>
    <message>
        <source>loop %1 to %2, off</source>
        <translation>Schleife %1 bis %2, aus</translation>
    </message>
    <message>
        <source>%1 % speed</source>
        <translation>%1 % Tempo</translation>
    </message>
    <message>
        <source>sound on</source>
        <translation>Ton an</translation>
    </message>
    <message>
        <source>Open a clip or a project</source>
        <translation>Clip oder Projekt öffnen</translation>
    </message>
    <message>
        <source>Open one picture, without its neighbours</source>
        <translation>Ein Bild öffnen, ohne seine Nachbarn</translation>
    </message>
    <message>
        <source>Save the project as</source>
        <translation>Projekt speichern als</translation>
    </message>
    <message>
        <source>Vast Ember projects (*.vember)</source>
        <translation>Vast-Ember-Projekte (*.vember)</translation>
    </message>
    <message>
        <source>Export the poses to</source>
        <translation>Posen exportieren nach</translation>
    </message>
    <message>
        <source>Tables (*.csv)</source>
        <translation>Tabellen (*.csv)</translation>
    </message>
    <message>
        <source>Poses of %1 frames written to %2</source>
        <translation>Posen von %1 Bildern in %2 geschrieben</translation>
    </message>
    <message>
        <source>Import strikes from a list</source>
        <translation>Schläge aus einer Liste importieren</translation>
    </message>
    <message>
        <source>Lists of strikes (*.csv *.json *.jsonl *.vtt *.mid *.midi *.otio)</source>
        <translation>Listen von Schlägen (*.csv *.json *.jsonl *.vtt *.mid *.midi *.otio)</translation>
    </message>
    <message>
        <source>Export a rumble track</source>
        <translation>Grollspur exportieren</translation>
    </message>
    <message>
        <source>Sounds (*.wav)</source>
        <translation>Töne (*.wav)</translation>
    </message>
    <message>
        <source>Writing %1 …</source>
        <translation>Schreibt %1 …</translation>
    </message>
    <message>
        <source>How strongly it shakes, as a tone of %1 Hz: %2</source>
        <translation>Wie stark es bebt, als Ton von %1 Hz: %2</translation>
    </message>
    <message>
        <source>Save frame %1 as a picture</source>
        <translation>Bild %1 als Bilddatei sichern</translation>
    </message>
    <message>
        <source>frame-%1.png</source>
        <translation>bild-%1.png</translation>
    </message>
    <message>
        <source>Pictures (*.png)</source>
        <translation>Bilder (*.png)</translation>
    </message>
    <message>
        <source>Frame %1 as it looks: %2</source>
        <translation>Bild %1, wie es aussieht: %2</translation>
    </message>
    <message>
        <source>Export strikes as</source>
        <translation>Schläge exportieren als</translation>
    </message>
    <message>
        <source>CSV (*.csv);;JSON (*.json);;WebVTT (*.vtt);;MIDI (*.mid);;OpenTimelineIO (*.otio);;JSON Lines (*.jsonl)</source>
        <translation>CSV (*.csv);;JSON (*.json);;WebVTT (*.vtt);;MIDI (*.mid);;OpenTimelineIO (*.otio);;JSON Lines (*.jsonl)</translation>
    </message>
    <message>
        <source>%1 strikes written to %2</source>
        <translation>%1 Schläge in %2 geschrieben</translation>
    </message>
    <message>
        <source>Where is the clip now?</source>
        <translation>Wo ist der Clip jetzt?</translation>
    </message>
    <message>
        <source>Nothing opened yet</source>
        <translation>Noch nichts geöffnet</translation>
    </message>
    <message>
        <source>The program that makes the demo, vast-ember-demo, is not installed</source>
        <translation>Das Programm, das die Demo erzeugt, vast-ember-demo, ist nicht installiert</translation>
    </message>
    <message>
        <source>The demo</source>
        <translation>Die Demo</translation>
    </message>
    <message>
        <source>A night shift at a foundry is drawn and sounded.</source>
        <translation>Eine Nachtschicht in einer Gießerei wird gezeichnet und vertont.</translation>
    </message>
    <message>
        <source>&amp;File</source>
        <translation>&amp;Datei</translation>
    </message>
    <message>
        <source>&amp;Open clip or project</source>
        <translation>Clip oder Projekt ö&amp;ffnen</translation>
    </message>
    <message>
        <source>Open one &amp;picture of a series</source>
        <translation>Ein &amp;Bild einer Folge öffnen</translation>
    </message>
    <message>
        <source>Open &amp;recent</source>
        <translation>&amp;Zuletzt geöffnet</translation>
    </message>
    <message>
        <source>&amp;Save</source>
        <translation>&amp;Speichern</translation>
    </message>
    <message>
        <source>Save &amp;as</source>
        <translation>Speichern &amp;unter</translation>
    </message>
    <message>
        <source>Re&amp;nder film</source>
        <translation>Film &amp;rendern</translation>
    </message>
    <message>
        <source>&amp;Export poses as CSV</source>
        <translation>&amp;Posen als CSV exportieren</translation>
    </message>
    <message>
        <source>&amp;Import strikes from a list</source>
        <translation>Schläge aus einer Liste &amp;importieren</translation>
    </message>
    <message>
        <source>Export strikes as a &amp;list</source>
        <translation>Schläge als &amp;Liste exportieren</translation>
    </message>
    <message>
        <source>Export a ru&amp;mble track</source>
        <translation>&amp;Grollspur exportieren</translation>
    </message>
    <message>
        <source>Save this &amp;frame as a picture</source>
        <translation>Dieses Bild als Bilddatei si&amp;chern</translation>
    </message>
    <message>
        <source>&amp;Export motion</source>
        <translation>Bewegung &amp;exportieren</translation>
    </message>
    <message>
        <source>&amp;Drop bench</source>
        <translation>F&amp;allbank</translation>
    </message>
    <message>
        <source>Find the &amp;clip</source>
        <translation>Clip su&amp;chen</translation>
    </message>
    <message>
        <source>Close &amp;project</source>
        <translation>Projekt sc&amp;hließen</translation>
    </message>
    <message>
        <source>&amp;Quit</source>
        <translation>&amp;Beenden</translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation>&amp;Bearbeiten</translation>
    </message>
    <message>
        <source>&amp;Duplicate strikes</source>
        <translation>Schläge &amp;verdoppeln</translation>
    </message>
    <message>
        <source>De&amp;lete strikes</source>
        <translation>Schläge &amp;löschen</translation>
    </message>
    <message>
        <source>Select &amp;all strikes</source>
        <translation>&amp;Alle Schläge wählen</translation>
    </message>
    <message>
        <source>Select &amp;nothing</source>
        <translation>&amp;Nichts wählen</translation>
    </message>
    <message>
        <source>&amp;Find an action</source>
        <translation>Eine Aktion &amp;finden</translation>
    </message>
    <message>
        <source>Pre&amp;ferences</source>
        <translation>Einste&amp;llungen des Programms</translation>
    </message>
    <message>
        <source>S&amp;hortcuts</source>
        <translation>&amp;Tastenkürzel</translation>
    </message>
    <message>
        <source>&amp;Strike</source>
        <translation>&amp;Schlag</translation>
    </message>
    <message>
        <source>&amp;Strike here</source>
        <translation>&amp;Schlag hier</translation>
    </message>
    <message>
        <source>%1 here</source>
        <translation>%1 hier</translation>
    </message>
    <message>
        <source>Move one frame &amp;earlier</source>
        <translation>Ein Bild &amp;früher</translation>
    </message>
    <message>
        <source>Move one frame &amp;later</source>
        <translation>Ein Bild &amp;später</translation>
    </message>
    <message>
        <source>A tenth &amp;stronger</source>
        <translation>Ein Zehntel st&amp;ärker</translation>
    </message>
    <message>
        <source>A tenth &amp;weaker</source>
        <translation>Ein Zehntel sc&amp;hwächer</translation>
    </message>
    <message>
        <source>&amp;Half as long</source>
        <translation>&amp;Halb so lang</translation>
    </message>
    <message>
        <source>&amp;Twice as long</source>
        <translation>&amp;Doppelt so lang</translation>
    </message>
    <message>
        <source>&amp;New variation</source>
        <translation>Neue &amp;Variante</translation>
    </message>
    <message>
        <source>Loc&amp;k or free the variation</source>
        <translation>Variante sperren oder &amp;freigeben</translation>
    </message>
    <message>
        <source>&amp;Own recipe for this strike</source>
        <translation>&amp;Eigenes Rezept für diesen Schlag</translation>
    </message>
    <message>
        <source>Turn into &amp;keys</source>
        <translation>In &amp;Keys verwandeln</translation>
    </message>
    <message>
        <source>This strike, &amp;few keys</source>
        <translation>Dieser Schlag, &amp;wenige Keys</translation>
    </message>
    <message>
        <source>This strike, on &amp;every frame</source>
        <translation>Dieser Schlag, auf &amp;jedem Bild</translation>
    </message>
    <message>
        <source>The whole fi&amp;lm, few keys</source>
        <translation>Der ganze &amp;Film, wenige Keys</translation>
    </message>
    <message>
        <source>The whole film, on every f&amp;rame</source>
        <translation>Der ganze Film, auf j&amp;edem Bild</translation>
    </message>
    <message>
        <source>Pla&amp;ces from above</source>
        <translation>&amp;Orte von oben</translation>
    </message>
    <message>
        <source>Strikes in a ta&amp;ble</source>
        <translation>Schläge als &amp;Tabelle</translation>
    </message>
    <message>
        <source>E&amp;ase shakes home from here</source>
        <translation>Ab hier aus&amp;klingen</translation>
    </message>
    <message>
        <source>&amp;Cut shakes here</source>
        <translation>Hier abs&amp;chneiden</translation>
    </message>
    <message>
        <source>&amp;Bypass all shakes</source>
        <translation>Alle Erschütterungen &amp;umgehen</translation>
    </message>
    <message>
        <source>&amp;Previous strike</source>
        <translation>V&amp;origer Schlag</translation>
    </message>
    <message>
        <source>Ne&amp;xt strike</source>
        <translation>&amp;Nächster Schlag</translation>
    </message>
    <message>
        <source>Fi&amp;nd</source>
        <translation>&amp;Finden</translation>
    </message>
    <message>
        <source>&amp;Find strikes</source>
        <translation>&amp;Schläge finden</translation>
    </message>
    <message>
        <source>&amp;Next proposal</source>
        <translation>&amp;Nächster Vorschlag</translation>
    </message>
    <message>
        <source>&amp;Previous proposal</source>
        <translation>&amp;Voriger Vorschlag</translation>
    </message>
    <message>
        <source>&amp;Accept it</source>
        <translation>&amp;Annehmen</translation>
    </message>
    <message>
        <source>&amp;Reject it</source>
        <translation>Ab&amp;lehnen</translation>
    </message>
    <message>
        <source>Accept a&amp;ll</source>
        <translation>Alle an&amp;nehmen</translation>
    </message>
    <message>
        <source>&amp;Tap along</source>
        <translation>&amp;Mitklopfen</translation>
    </message>
    <message>
        <source>Tap te&amp;st</source>
        <translation>&amp;Klopftest</translation>
    </message>
    <message>
        <source>&amp;Camera motions</source>
        <translation>&amp;Kamerabewegungen</translation>
    </message>
    <message>
        <source>&amp;Shape from sound</source>
        <translation>&amp;Form nach dem Ton</translation>
    </message>
    <message>
        <source>Sp&amp;read evenly</source>
        <translation>&amp;Gleichmäßig verteilen</translation>
    </message>
    <message>
        <source>Select three strikes or more: those between the first and the last are spread</source>
        <translation>Drei oder mehr Schläge wählen: die zwischen dem ersten und dem letzten werden verteilt</translation>
    </message>
    <message>
        <source>%1 strikes spread evenly</source>
        <translation>%1 Schläge gleichmäßig verteilt</translation>
    </message>
    <message>
        <source>%1 % of the last</source>
        <translation>%1 % des vorigen</translation>
    </message>
    <message>
        <source>Fade strengths to %1 % each</source>
        <translation>Stärken fallen auf je %1 %</translation>
    </message>
    <message>
        <source>The film has no sound to take a shape from</source>
        <translation>Der Film hat keinen Ton, dem eine Form zu entnehmen wäre</translation>
    </message>
    <message>
        <source>Shaped as it sounds</source>
        <translation>Geformt, wie er klingt</translation>
    </message>
    <message>
        <source>&amp;Play</source>
        <translation>&amp;Abspielen</translation>
    </message>
    <message>
        <source>&amp;Play or pause</source>
        <translation>&amp;Abspielen oder Pause</translation>
    </message>
    <message>
        <source>One frame &amp;back</source>
        <translation>Ein Bild &amp;zurück</translation>
    </message>
    <message>
        <source>One frame &amp;on</source>
        <translation>Ein Bild &amp;weiter</translation>
    </message>
    <message>
        <source>Ten frames back</source>
        <translation>Zehn Bilder zurück</translation>
    </message>
    <message>
        <source>Ten frames on</source>
        <translation>Zehn Bilder weiter</translation>
    </message>
    <message>
        <source>To the &amp;start</source>
        <translation>Zum An&amp;fang</translation>
    </message>
    <message>
        <source>To the &amp;end</source>
        <translation>Zum &amp;Ende</translation>
    </message>
    <message>
        <source>&amp;Go to a frame or timecode</source>
        <translation>Zu Bild oder Timecode &amp;gehen</translation>
    </message>
    <message>
        <source>Li&amp;ve bench</source>
        <translation>Li&amp;ve-Bank</translation>
    </message>
    <message>
        <source>Sp&amp;eed</source>
        <translation>&amp;Tempo</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>100 %</source>
        <translation>100 %</translation>
    </message>
    <message>
        <source>As it was taken</source>
        <translation>Wie aufgenommen</translation>
    </message>
    <message>
        <source>Sound is stretched and keeps its pitch</source>
        <translation>Der Ton wird gedehnt und behält seine Höhe</translation>
    </message>
    <message>
        <source>Sound while &amp;moving the playhead</source>
        <translation>Ton beim Be&amp;wegen des Abspielpunkts</translation>
    </message>
    <message>
        <source>The frame the playhead is dragged or stepped to is heard</source>
        <translation>Das Bild, zu dem gezogen oder gesprungen wird, ist zu hören</translation>
    </message>
    <message>
        <source>&amp;Loop</source>
        <translation>&amp;Schleife</translation>
    </message>
    <message>
        <source>Loop starts &amp;here</source>
        <translation>Schleife beginnt &amp;hier</translation>
    </message>
    <message>
        <source>Loop ends here</source>
        <translation>Schleife endet hier</translation>
    </message>
    <message>
        <source>Loop &amp;around the selected strikes</source>
        <translation>Schleife um die gewählten Schl&amp;äge</translation>
    </message>
    <message>
        <source>Loop to the &amp;next strike</source>
        <translation>Schleife bis zum &amp;nächsten Schlag</translation>
    </message>
    <message>
        <source>&amp;Clear the loop</source>
        <translation>Schleife &amp;löschen</translation>
    </message>
    <message>
        <source>Keep the project as a take first (Ctrl+1), then change it</source>
        <translation>Das Projekt erst als Take behalten (Ctrl+1), dann ändern</translation>
    </message>
    <message>
        <source>The other take has other shots: their frames cannot be held against each other</source>
        <translation>Der andere Take hat andere Einstellungen: ihre Bilder lassen sich nicht gegeneinander halten</translation>
    </message>
    <message>
        <source>No split</source>
        <translation>Keine Teilung</translation>
    </message>
    <message>
        <source>Left of the line the frame is unshaken; drag the line</source>
        <translation>Links der Linie ist das Bild ohne Erschütterung; die Linie ziehen</translation>
    </message>
    <message>
        <source>Left of the line is the gentle version; drag the line</source>
        <translation>Links der Linie ist die sanfte Fassung; die Linie ziehen</translation>
    </message>
    <message>
        <source>Left of the line is the other take; drag the line</source>
        <translation>Links der Linie ist der andere Take; die Linie ziehen</translation>
    </message>
    <message>
        <source>&amp;Compare</source>
        <translation>&amp;Vergleichen</translation>
    </message>
    <message>
        <source>Split against the &amp;unshaken frame</source>
        <translation>Teilung gegen das &amp;ruhige Bild</translation>
    </message>
    <message>
        <source>&amp;Split against the other take</source>
        <translation>Teilung gegen den &amp;anderen Take</translation>
    </message>
    <message>
        <source>Split against the &amp;gentle version</source>
        <translation>Teilung gegen die &amp;sanfte Fassung</translation>
    </message>
    <message>
        <source>&amp;Comfort</source>
        <translation>&amp;Verträglichkeit</translation>
    </message>
    <message>
        <source>&amp;Frames around the strike, large</source>
        <translation>&amp;Bilder um den Schlag, groß</translation>
    </message>
    <message>
        <source>Keep as take &amp;A</source>
        <translation>Als Take &amp;A behalten</translation>
    </message>
    <message>
        <source>Keep as take &amp;B</source>
        <translation>Als Take &amp;B behalten</translation>
    </message>
    <message>
        <source>S&amp;witch to the other take</source>
        <translation>Zum anderen Take &amp;wechseln</translation>
    </message>
    <message>
        <source>&amp;What differs</source>
        <translation>Was ist &amp;verschieden</translation>
    </message>
    <message>
        <source>take %1</source>
        <translation>Take %1</translation>
    </message>
    <message>
        <source>now</source>
        <translation>jetzt</translation>
    </message>
    <message>
        <source>&amp;Guides</source>
        <translation>&amp;Hilfslinien</translation>
    </message>
    <message>
        <source>Frame &amp;centre</source>
        <translation>Bild&amp;mitte</translation>
    </message>
    <message>
        <source>&amp;Thirds</source>
        <translation>&amp;Drittel</translation>
    </message>
    <message>
        <source>&amp;Action safe, 93 %</source>
        <translation>&amp;Action safe, 93 %</translation>
    </message>
    <message>
        <source>T&amp;itle safe, 90 %</source>
        <translation>&amp;Titel safe, 90 %</translation>
    </message>
    <message>
        <source>&amp;Own lines</source>
        <translation>&amp;Eigene Linien</translation>
    </message>
    <message>
        <source>Own lines</source>
        <translation>Eigene Linien</translation>
    </message>
    <message>
        <source>Lines over the picture, in percent of its width (x) and height (y):</source>
        <translation>Linien über dem Bild, in Prozent seiner Breite (x) und Höhe (y):</translation>
    </message>
    <message>
        <source>No own lines</source>
        <translation>Keine eigenen Linien</translation>
    </message>
    <message>
        <source>Own lines: %1</source>
        <translation>Eigene Linien: %1</translation>
    </message>
    <message>
        <source>&amp;View</source>
        <translation>A&amp;nsicht</translation>
    </message>
    <message>
        <source>Path of the picture&apos;s &amp;centre</source>
        <translation>Bahn der Bild&amp;mitte</translation>
    </message>
    <message>
        <source>&amp;Arrow of the selected strike</source>
        <translation>&amp;Pfeil des gewählten Schlags</translation>
    </message>
    <message>
        <source>Hidden &amp;border</source>
        <translation>Ver&amp;deckter Rand</translation>
    </message>
    <message>
        <source>&amp;Fit the picture</source>
        <translation>Bild ein&amp;passen</translation>
    </message>
    <message>
        <source>Picture pi&amp;xel for pixel</source>
        <translation>Bild Pi&amp;xel für Pixel</translation>
    </message>
    <message>
        <source>&amp;Light scheme</source>
        <translation>&amp;Helles Schema</translation>
    </message>
    <message>
        <source>&amp;Full-screen picture</source>
        <translation>Bild im &amp;Vollbild</translation>
    </message>
    <message>
        <source>&amp;Whole film on the Reel</source>
        <translation>&amp;Ganzer Film auf dem Filmband</translation>
    </message>
    <message>
        <source>Stretched or e&amp;ven Anvil</source>
        <translation>Gestreckter oder &amp;gleichmäßiger Amboss</translation>
    </message>
    <message>
        <source>Traces on the An&amp;vil</source>
        <translation>Schr&amp;iebe auf dem Amboss</translation>
    </message>
    <message>
        <source>S&amp;trands on the Anvil</source>
        <translation>S&amp;tränge auf dem Amboss</translation>
    </message>
    <message>
        <source>Lengths in frames or &amp;seconds</source>
        <translation>Längen in Bildern oder Se&amp;kunden</translation>
    </message>
    <message>
        <source>Str&amp;ike page</source>
        <translation>&amp;Schlag-Seite</translation>
    </message>
    <message>
        <source>&amp;Recipes page</source>
        <translation>&amp;Rezept-Seite</translation>
    </message>
    <message>
        <source>&amp;Film page</source>
        <translation>&amp;Film-Seite</translation>
    </message>
    <message>
        <source>Finis&amp;h page</source>
        <translation>F&amp;inish-Seite</translation>
    </message>
    <message>
        <source>Keys to the &amp;picture</source>
        <translation>Tasten zum &amp;Bild</translation>
    </message>
    <message>
        <source>Keys to the Anv&amp;il</source>
        <translation>Tasten zum &amp;Amboss</translation>
    </message>
    <message>
        <source>Keys to the Ree&amp;l</source>
        <translation>Tasten zum Fi&amp;lmband</translation>
    </message>
    <message>
        <source>Keys to the side colu&amp;mn</source>
        <translation>Tasten zur Seitenspa&amp;lte</translation>
    </message>
    <message>
        <source>Picture – Vast Ember</source>
        <translation>Bild – Vast Ember</translation>
    </message>
    <message>
        <source>Picture alone: F11 goes back</source>
        <translation>Bild allein: F11 geht zurück</translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation>&amp;Hilfe</translation>
    </message>
    <message>
        <source>&amp;Guide</source>
        <translation>&amp;Anleitung</translation>
    </message>
    <message>
        <source>&amp;Shortcuts</source>
        <translation>&amp;Tastenkürzel</translation>
    </message>
    <message>
        <source>Open the &amp;demo</source>
        <translation>&amp;Demo öffnen</translation>
    </message>
    <message>
        <source>&amp;First steps</source>
        <translation>&amp;Erste Schritte</translation>
    </message>
    <message>
        <source>&amp;About Vast Ember</source>
        <translation>&amp;Über Vast Ember</translation>
    </message>
    <message>
        <source>About Vast Ember</source>
        <translation>Über Vast Ember</translation>
    </message>
    <message>
        <source>&lt;b&gt;Vast Ember %1&lt;/b&gt;&lt;br&gt;Times impact shakes to the frame.&lt;br&gt;&lt;br&gt;Free software under the GNU GPL, version 3 or later. Typeface B612 under the SIL Open Font Licence.</source>
        <translation>&lt;b&gt;Vast Ember %1&lt;/b&gt;&lt;br&gt;Setzt Erschütterungen auf das Bild genau.&lt;br&gt;&lt;br&gt;Freie Software unter der GNU GPL, Version 3 oder später. Schrift B612 unter der SIL Open Font Licence.</translation>
    </message>
    <message>
        <source>S&amp;hot</source>
        <translation>&amp;Einstellung</translation>
    </message>
    <message>
        <source>&amp;Add a clip or still</source>
        <translation>&amp;Clip oder Standbild hinzufügen</translation>
    </message>
    <message>
        <source>Add a &amp;gap</source>
        <translation>Lücke &amp;hinzufügen</translation>
    </message>
    <message>
        <source>&amp;Replace its clip</source>
        <translation>Ihren Clip &amp;ersetzen</translation>
    </message>
    <message>
        <source>&amp;Split here</source>
        <translation>Hier &amp;teilen</translation>
    </message>
    <message>
        <source>Split at the film&apos;s &amp;cuts</source>
        <translation>An den &amp;Schnitten des Films teilen</translation>
    </message>
    <message>
        <source>&amp;Begin it here</source>
        <translation>Hier &amp;beginnen</translation>
    </message>
    <message>
        <source>&amp;End it here</source>
        <translation>Hier e&amp;nden</translation>
    </message>
    <message>
        <source>Move it ea&amp;rlier</source>
        <translation>Nach &amp;vorn</translation>
    </message>
    <message>
        <source>Move it &amp;later</source>
        <translation>Nach &amp;hinten</translation>
    </message>
    <message>
        <source>&amp;Delete it</source>
        <translation>&amp;Löschen</translation>
    </message>
    <message>
        <source>&amp;Throw the nearest cut</source>
        <translation>Nächsten Schnitt &amp;werfen</translation>
    </message>
    <message>
        <source>Strikes go with their s&amp;hot</source>
        <translation>Schläge gehen mit der &amp;Einstellung</translation>
    </message>
    <message>
        <source>&amp;Pin strikes to the film</source>
        <translation>Schläge an den Film &amp;heften</translation>
    </message>
    <message>
        <source>Strikes go with the &amp;nearest cut</source>
        <translation>Schläge gehen mit dem &amp;nächsten Schnitt</translation>
    </message>
    <message>
        <source>Con&amp;form to a new edit</source>
        <translation>An einen neuen Schnitt an&amp;passen</translation>
    </message>
    <message>
        <source>Add a clip or still</source>
        <translation>Clip oder Standbild hinzufügen</translation>
    </message>
    <message>
        <source>Replace the clip of the shot here</source>
        <translation>Den Clip dieser Einstellung ersetzen</translation>
    </message>
    <message>
        <source>Split at the film&apos;s cuts</source>
        <translation>An den Schnitten des Films teilen</translation>
    </message>
    <message>
        <source>Looking for cuts in shot %1</source>
        <translation>Sucht Schnitte in Einstellung %1</translation>
    </message>
    <message>
        <source>, %1 dissolves and fades left whole</source>
        <translation>, %1 Blenden heil gelassen</translation>
    </message>
    <message>
        <source>No cut was found</source>
        <translation>Kein Schnitt gefunden</translation>
    </message>
    <message>
        <source>Split at %1 cuts</source>
        <translation>An %1 Schnitten geteilt</translation>
    </message>
    <message>
        <source>The new edit of the film</source>
        <translation>Der neue Schnitt des Films</translation>
    </message>
    <message>
        <source>Conform to a new edit</source>
        <translation>An einen neuen Schnitt anpassen</translation>
    </message>
    <message>
        <source>Holding %1 against the film</source>
        <translation>Hält %1 gegen den Film</translation>
    </message>
    <message>
        <source>Conformed to %1</source>
        <translation>An %1 angepasst</translation>
    </message>
    <message>
        <source>Timec&amp;ode on the Reel</source>
        <translation>Tim&amp;ecode auf dem Filmband</translation>
    </message>
    <message>
        <source>Nothing to undo</source>
        <translation>Nichts zurückzunehmen</translation>
    </message>
    <message>
        <source>Nothing to redo</source>
        <translation>Nichts zu wiederholen</translation>
    </message>
    <message>
        <source>Track ca&amp;mera motion</source>
        <translation>&amp;Kamerabewegung auslesen</translation>
    </message>
    <message>
        <source>&amp;Fade strengths to</source>
        <translation>S&amp;tärken abfallen lassen</translation>
    </message>
    <message>
        <source>Find strikes first (Ctrl+F): shapes come from the analysed sound</source>
        <translation>Erst Schläge finden (Ctrl+F): der Ton muss gehört sein</translation>
    </message>
    <message>
        <source>Hand  M</source>
        <translation>Hand  M</translation>
    </message>
    <message>
        <source>Drag the picture to where it should be on this frame: a key is set (M). On the selected strike, or a new one.</source>
        <translation>Das Bild dorthin ziehen, wo es in diesem Bild sein soll: ein Key wird gesetzt (M). Am gewählten Schlag oder an einem neuen.</translation>
    </message>
    <message>
        <source>Strike  S</source>
        <translation>Schlag  S</translation>
    </message>
    <message>
        <source>Follow the p&amp;ivot in the clip</source>
        <translation>Drehpunkt im Cl&amp;ip verfolgen</translation>
    </message>
    <message>
        <source>&amp;Move the picture by hand</source>
        <translation>Bild von Hand be&amp;wegen</translation>
    </message>
    <message>
        <source>Ease this strike h&amp;ome from here</source>
        <translation>Diesen Schlag ab hier ausklingen lassen</translation>
    </message>
    <message>
        <source>C&amp;ut this strike here</source>
        <translation>Diesen Schlag hier abschneiden</translation>
    </message>
    <message>
        <source>&amp;Onion skins by hand</source>
        <translation>&amp;Nachbarbilder bei Handarbeit</translation>
    </message>
    <message>
        <source>&amp;Intensity on the Reel</source>
        <translation>&amp;Intensität auf dem Filmband</translation>
    </message>
    <message>
        <source>C&amp;urves in the Anvil&apos;s place</source>
        <translation>K&amp;urven statt des Ambosses</translation>
    </message>
    <message>
        <source>&amp;More like this</source>
        <translation>&amp;Mehr solche</translation>
    </message>
    <message>
        <source>N&amp;one like this</source>
        <translation>K&amp;eine solchen</translation>
    </message>
    <message>
        <source>Cu&amp;t strikes</source>
        <translation>Schläge &amp;ausschneiden</translation>
    </message>
    <message>
        <source>&amp;Copy strikes</source>
        <translation>Schläge &amp;kopieren</translation>
    </message>
    <message>
        <source>&amp;Paste strikes at the playhead</source>
        <translation>Schläge am Abspielkopf &amp;einfügen</translation>
    </message>
    <message>
        <source>Paste &amp;values only</source>
        <translation>Nur &amp;Werte einfügen</translation>
    </message>
    <message>
        <source>Vast Ember ended unexpectedly the last time. Help, Crash report shows what is known of it.</source>
        <translation>Vast Ember ist beim letzten Mal unerwartet beendet worden. Hilfe, Absturzbericht zeigt, was darüber bekannt ist.</translation>
    </message>
    <message>
        <source>&amp;Crash report</source>
        <translation>&amp;Absturzbericht</translation>
    </message>
    <message>
        <source>Clips are being done. Stop that and leave?</source>
        <translation>Clips werden bearbeitet. Anhalten und verlassen?</translation>
    </message>
    <message>
        <source>Appl&amp;y to clips</source>
        <translation>Auf Clips an&amp;wenden</translation>
    </message>
</context>
<context>
    <name>ember::app::Messages</name>
    <message>
        <source>Stopped</source>
        <translation>Angehalten</translation>
    </message>
</context>
<context>
    <name>ember::app::MotionBench</name>
    <message>
        <source>Camera motions</source>
        <translation>Kamerabewegungen</translation>
    </message>
    <message>
        <source>Motions that come with the program, and your own</source>
        <translation>Mitgelieferte Bewegungen und eigene</translation>
    </message>
    <message>
        <source>Track a clip</source>
        <translation>Clip verfolgen</translation>
    </message>
    <message>
        <source>Measures how the camera of any clip moved and keeps it here</source>
        <translation>Misst, wie die Kamera eines Clips sich bewegte, und behält es hier</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Stops reading; nothing is kept</source>
        <translation>Hält das Auslesen an; nichts wird behalten</translation>
    </message>
    <message>
        <source>Import a motion</source>
        <translation>Bewegung importieren</translation>
    </message>
    <message>
        <source>A motion of ours (.json), or any table (.csv) by naming its columns and units</source>
        <translation>Eine Bewegung von uns (.json) oder jede Tabelle (.csv), deren Spalten und Einheiten benannt werden</translation>
    </message>
    <message>
        <source>Export</source>
        <translation>Exportieren</translation>
    </message>
    <message>
        <source>Writes it as it is shown: .json or .csv</source>
        <translation>Schreibt sie so, wie sie gezeigt ist: .json oder .csv</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Deleted; films that use it keep it</source>
        <translation>Gelöscht; Filme, die sie verwenden, behalten sie</translation>
    </message>
    <message>
        <source>Bring back</source>
        <translation>Zurückholen</translation>
    </message>
    <message>
        <source>The motion deleted last is put back</source>
        <translation>Die zuletzt gelöschte Bewegung ist wieder da</translation>
    </message>
    <message>
        <source>Frames</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <source>all of it</source>
        <translation>alles</translation>
    </message>
    <message>
        <source>only what is faster than</source>
        <translation>nur was schneller ist als</translation>
    </message>
    <message>
        <source>Centred</source>
        <translation>Zentriert</translation>
    </message>
    <message>
        <source>Its mean is at rest, so that it leaves the picture in its place</source>
        <translation>Ihr Mittel ist in Ruhe, sodass sie das Bild an seinem Platz lässt</translation>
    </message>
    <message>
        <source>Mirrored</source>
        <translation>Gespiegelt</translation>
    </message>
    <message>
        <source>Left is right</source>
        <translation>Links ist rechts</translation>
    </message>
    <message>
        <source>Keep as new</source>
        <translation>Als neu behalten</translation>
    </message>
    <message>
        <source>In this film:</source>
        <translation>In diesem Film:</translation>
    </message>
    <message>
        <source>Drift under the shot</source>
        <translation>Drift unter der Einstellung</translation>
    </message>
    <message>
        <source>Strand of the recipe</source>
        <translation>Strang des Rezepts</translation>
    </message>
    <message>
        <source>Cut out for this strike</source>
        <translation>Für diesen Schlag ausschneiden</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>%1 s, %2</source>
        <translation>%1 s, %2</translation>
    </message>
    <message>
        <source>your own</source>
        <translation>eigene</translation>
    </message>
    <message>
        <source>shipped</source>
        <translation>mitgeliefert</translation>
    </message>
    <message>
        <source>Its name; type another</source>
        <translation>Ihr Name; einen anderen eingeben</translation>
    </message>
    <message>
        <source>It comes with the program; keep a copy to name it</source>
        <translation>Sie ist mitgeliefert; eine Kopie behalten, um sie zu benennen</translation>
    </message>
    <message>
        <source>%1 frames at %2 fps, filmed %3 x %4</source>
        <translation>%1 Bilder mit %2 fps, aufgenommen %3 x %4</translation>
    </message>
    <message>
        <source>; %1 could not be measured and are bridged</source>
        <translation>; %1 ließen sich nicht messen und sind überbrückt</translation>
    </message>
    <message>
        <source>Trim or sift it first: it is kept already as it is</source>
        <translation>Erst kürzen oder sieben: so, wie sie ist, ist sie schon da</translation>
    </message>
    <message>
        <source>Keeps it in the library as it is shown here; the original stays</source>
        <translation>Behält sie so, wie sie hier gezeigt ist; das Original bleibt</translation>
    </message>
    <message>
        <source>It comes with the program</source>
        <translation>Sie ist mitgeliefert</translation>
    </message>
    <message>
        <source>Takes it out of the library; films that use it keep it</source>
        <translation>Nimmt sie aus der Sammlung; Filme, die sie verwenden, behalten sie</translation>
    </message>
    <message>
        <source>Open a clip first</source>
        <translation>Erst einen Clip öffnen</translation>
    </message>
    <message>
        <source>Moves the whole shot by it, as far as it was filmed; it goes round without a seam</source>
        <translation>Bewegt die ganze Einstellung danach, so weit, wie aufgenommen; sie läuft nahtlos im Kreis</translation>
    </message>
    <message>
        <source>Select one strike first</source>
        <translation>Erst einen Schlag wählen</translation>
    </message>
    <message>
        <source>Adds it to %1 as a strand, under its envelope; each strike begins at another moment of it</source>
        <translation>Fügt sie %1 als Strang hinzu, unter seiner Hüllkurve; jeder Schlag beginnt in einem anderen Moment</translation>
    </message>
    <message>
        <source>The frames between the two ends, as they were filmed, as a drawn strand of this strike alone: the farthest moment is its peak</source>
        <translation>Die Bilder zwischen den beiden Enden, wie aufgenommen, als gezeichneter Strang nur dieses Schlags: der fernste Moment ist sein Gipfel</translation>
    </message>
    <message>
        <source>A clip is being read</source>
        <translation>Ein Clip wird gerade gelesen</translation>
    </message>
    <message>
        <source>Reading the camera of %1</source>
        <translation>Liest die Kamera von %1</translation>
    </message>
    <message>
        <source>Stopped; nothing was kept</source>
        <translation>Angehalten; nichts wurde behalten</translation>
    </message>
    <message>
        <source>Read from %1</source>
        <translation>Ausgelesen aus %1</translation>
    </message>
    <message>
        <source>Read and kept. %1 of %2 frames could not be measured; they are bridged and hatched.</source>
        <translation>Ausgelesen und behalten. %1 von %2 Bildern ließen sich nicht messen; sie sind überbrückt und schraffiert.</translation>
    </message>
    <message>
        <source>Read and kept: all %1 frames were measured.</source>
        <translation>Ausgelesen und behalten: alle %1 Bilder gemessen.</translation>
    </message>
    <message>
        <source>Kept as %1</source>
        <translation>Behalten als %1</translation>
    </message>
    <message>
        <source>Motions (*.json *.csv *.txt *.tsv);;All files (*)</source>
        <translation>Bewegungen (*.json *.csv *.txt *.tsv);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Imported from %1</source>
        <translation>Importiert aus %1</translation>
    </message>
    <message>
        <source>Imported as %1</source>
        <translation>Importiert als %1</translation>
    </message>
    <message>
        <source>Export the motion as</source>
        <translation>Bewegung exportieren als</translation>
    </message>
    <message>
        <source>Motions (*.json);;Tables (*.csv)</source>
        <translation>Bewegungen (*.json);;Tabellen (*.csv)</translation>
    </message>
    <message>
        <source>Written to %1</source>
        <translation>In %1 geschrieben</translation>
    </message>
    <message>
        <source>Drift: %1</source>
        <translation>Drift: %1</translation>
    </message>
    <message>
        <source>%1. Set it under Film, or undo with Ctrl+Z.</source>
        <translation>%1. Unter Film einstellen oder mit Ctrl+Z zurücknehmen.</translation>
    </message>
    <message>
        <source>%1 added as a strand</source>
        <translation>%1 als Strang hinzugefügt</translation>
    </message>
    <message>
        <source>%1 cut out for the strike</source>
        <translation>%1 für den Schlag ausgeschnitten</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Which part of the motion is kept: intended pans can be left out</source>
        <translation>Was von der Bewegung behalten wird: gewollte Schwenks lassen sich weglassen</translation>
    </message>
    <message>
        <source>Track the camera of a clip</source>
        <translation>Die Kamera eines Clips auslesen</translation>
    </message>
</context>
<context>
    <name>ember::app::MotionChooser</name>
    <message>
        <source>Mirror</source>
        <translation>Spiegeln</translation>
    </message>
    <message>
        <source>Left is right: x and roll go the other way</source>
        <translation>Links ist rechts: x und Roll gehen andersherum</translation>
    </message>
    <message>
        <source>Camera</source>
        <translation>Kamera</translation>
    </message>
    <message>
        <source>Whose motion it is. Find, Camera motions shows, reads and imports them</source>
        <translation>Wessen Bewegung es ist. Finden, Kamerabewegungen zeigt, liest und importiert sie</translation>
    </message>
    <message>
        <source>%1 % of what was filmed</source>
        <translation>%1 % des Aufgenommenen</translation>
    </message>
    <message>
        <source>Mirrored</source>
        <translation>Gespiegelt</translation>
    </message>
    <message>
        <source> (this film&apos;s)</source>
        <translation> (dieses Films)</translation>
    </message>
    <message>
        <source>Choose a camera&apos;s motion first</source>
        <translation>Erst die Bewegung einer Kamera wählen</translation>
    </message>
</context>
<context>
    <name>ember::app::MotionExportWindow</name>
    <message>
        <source>Export motion</source>
        <translation>Bewegung exportieren</translation>
    </message>
    <message>
        <source>Format</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>Scope</source>
        <translation>Umfang</translation>
    </message>
    <message>
        <source>the film</source>
        <translation>der Film</translation>
    </message>
    <message>
        <source>the shot at the playhead</source>
        <translation>die Einstellung am Abspielpunkt</translation>
    </message>
    <message>
        <source>the selected strike</source>
        <translation>der gewählte Schlag</translation>
    </message>
    <message>
        <source>its recipe</source>
        <translation>sein Rezept</translation>
    </message>
    <message>
        <source>A strike alone, with nothing else that shakes; a recipe as one strike of 100 %</source>
        <translation>Ein Schlag allein, ohne andere Erschütterung; ein Rezept als ein Schlag von 100 %</translation>
    </message>
    <message>
        <source>Keys</source>
        <translation>Keys</translation>
    </message>
    <message>
        <source>How many</source>
        <translation>Wie viele</translation>
    </message>
    <message>
        <source>one on every frame</source>
        <translation>einer auf jedem Bild</translation>
    </message>
    <message>
        <source>the fewest</source>
        <translation>die wenigsten</translation>
    </message>
    <message>
        <source>The fewest are far easier to edit by hand</source>
        <translation>Die wenigsten lassen sich von Hand viel leichter bearbeiten</translation>
    </message>
    <message>
        <source>Coordinates</source>
        <translation>Koordinaten</translation>
    </message>
    <message>
        <source>Target</source>
        <translation>Ziel</translation>
    </message>
    <message>
        <source>the layer</source>
        <translation>die Ebene</translation>
    </message>
    <message>
        <source>the camera</source>
        <translation>die Kamera</translation>
    </message>
    <message>
        <source>The picture itself about its middle, or a camera before a still picture</source>
        <translation>Das Bild selbst um seine Mitte, oder eine Kamera vor einem ruhigen Bild</translation>
    </message>
    <message>
        <source>Values</source>
        <translation>Werte</translation>
    </message>
    <message>
        <source>offset from rest</source>
        <translation>Versatz gegen Ruhe</translation>
    </message>
    <message>
        <source>absolute position, with the shot&apos;s move</source>
        <translation>absolut, mit der Einstellung</translation>
    </message>
    <message>
        <source>Added to whatever moves it already, or in place of it</source>
        <translation>Zu dem addiert, was es schon bewegt, oder an dessen Stelle</translation>
    </message>
    <message>
        <source>y</source>
        <translation>y</translation>
    </message>
    <message>
        <source>down</source>
        <translation>nach unten</translation>
    </message>
    <message>
        <source>up</source>
        <translation>nach oben</translation>
    </message>
    <message>
        <source>Which way y grows there</source>
        <translation>Wohin y dort wächst</translation>
    </message>
    <message>
        <source>With cover</source>
        <translation>Mit Deckung</translation>
    </message>
    <message>
        <source>The zoom that hides the border is part of the motion</source>
        <translation>Der Zoom, der den Rand verdeckt, gehört zur Bewegung</translation>
    </message>
    <message>
        <source>Gentle version</source>
        <translation>Sanfte Fassung</translation>
    </message>
    <message>
        <source>The gentle version, by the limits of Comfort</source>
        <translation>Die sanfte Fassung, nach den Grenzen der Verträglichkeit</translation>
    </message>
    <message>
        <source>The beginning of what will be written</source>
        <translation>Der Anfang dessen, was geschrieben wird</translation>
    </message>
    <message>
        <source>The shake sheet</source>
        <translation>Das Schlagblatt</translation>
    </message>
    <message>
        <source>Write to a file</source>
        <translation>In eine Datei schreiben</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <source>Write all</source>
        <translation>Alle schreiben</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Open a clip first.</source>
        <translation>Erst einen Clip öffnen.</translation>
    </message>
    <message>
        <source>Select a strike on the Reel first.</source>
        <translation>Erst auf dem Filmband einen Schlag wählen.</translation>
    </message>
    <message>
        <source>A sheet and a recipe tell the shake itself, not its keys</source>
        <translation>Blatt und Rezept sagen die Erschütterung selbst, nicht ihre Keys</translation>
    </message>
    <message>
        <source>glTF moves a camera</source>
        <translation>glTF bewegt eine Kamera</translation>
    </message>
    <message>
        <source>This format moves a layer</source>
        <translation>Dieses Format bewegt eine Ebene</translation>
    </message>
    <message>
        <source>The format itself says which way y grows</source>
        <translation>Das Format selbst sagt, wohin y wächst</translation>
    </message>
    <message>
        <source>A recipe carries both versions</source>
        <translation>Ein Rezept trägt beide Fassungen</translation>
    </message>
    <message>
        <source>Choose the fewest keys above</source>
        <translation>Oben die wenigsten Keys wählen</translation>
    </message>
    <message>
        <source>Only a camera has these</source>
        <translation>Nur eine Kamera hat diese</translation>
    </message>
    <message>
        <source>There is none in the project</source>
        <translation>Es gibt keines im Projekt</translation>
    </message>
    <message>
        <source>Only sheets and recipes are written one for each</source>
        <translation>Nur Blätter und Rezepte werden einzeln geschrieben</translation>
    </message>
    <message>
        <source>A sheet for each strike, into a folder</source>
        <translation>Ein Blatt für jeden Schlag, in einen Ordner</translation>
    </message>
    <message>
        <source>Each recipe of the project, into a folder</source>
        <translation>Jedes Rezept des Projekts, in einen Ordner</translation>
    </message>
    <message>
        <source>It is being made</source>
        <translation>Es wird gerade gemacht</translation>
    </message>
    <message>
        <source>Making it …</source>
        <translation>Wird gemacht …</translation>
    </message>
    <message>
        <source>Chooses a file and writes it</source>
        <translation>Wählt eine Datei und schreibt sie</translation>
    </message>
    <message>
        <source>This is no text</source>
        <translation>Das ist kein Text</translation>
    </message>
    <message>
        <source>Puts the whole text on the clipboard</source>
        <translation>Legt den ganzen Text in die Zwischenablage</translation>
    </message>
    <message>
        <source>Bytes of a Standard MIDI file: they cannot be read here.</source>
        <translation>Bytes einer Standard-MIDI-Datei: sie sind hier nicht lesbar.</translation>
    </message>
    <message>
        <source>Shake sheets (*.pdf *.svg *.png)</source>
        <translation>Schlagblätter (*.pdf *.svg *.png)</translation>
    </message>
    <message>
        <source>%1 (*%2)</source>
        <translation>%1 (*%2)</translation>
    </message>
    <message>
        <source>Export motion to</source>
        <translation>Bewegung exportieren nach</translation>
    </message>
    <message>
        <source>Drawing the sheet</source>
        <translation>Zeichnet das Blatt</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Geschrieben: %1</translation>
    </message>
    <message>
        <source>Exported: %1</source>
        <translation>Exportiert: %1</translation>
    </message>
    <message>
        <source>A folder for them</source>
        <translation>Ein Ordner für sie</translation>
    </message>
    <message>
        <source>Folders (*)</source>
        <translation>Ordner (*)</translation>
    </message>
    <message>
        <source>Drawing the sheets</source>
        <translation>Zeichnet die Blätter</translation>
    </message>
    <message>
        <source>Writing the recipes</source>
        <translation>Schreibt die Rezepte</translation>
    </message>
    <message>
        <source>Stopped.</source>
        <translation>Angehalten.</translation>
    </message>
    <message>
        <source>%1 files written into %2</source>
        <translation>%1 Dateien in %2 geschrieben</translation>
    </message>
    <message>
        <source>Copied.</source>
        <translation>Kopiert.</translation>
    </message>
    <message>
        <source>Table (CSV)</source>
        <translation>Tabelle (CSV)</translation>
    </message>
    <message>
        <source>A row for each frame, or for each key</source>
        <translation>Eine Zeile für jedes Bild oder für jeden Key</translation>
    </message>
    <message>
        <source>Table with its conventions (JSON)</source>
        <translation>Tabelle mit ihren Vereinbarungen (JSON)</translation>
    </message>
    <message>
        <source>The same numbers, and in words how they are meant</source>
        <translation>Dieselben Zahlen, und in Worten, wie sie gemeint sind</translation>
    </message>
    <message>
        <source>Camera (glTF 2.0)</source>
        <translation>Kamera (glTF 2.0)</translation>
    </message>
    <message>
        <source>An animated camera before the picture&apos;s plane, for 3D programs</source>
        <translation>Eine animierte Kamera vor der Bildebene, für 3D-Programme</translation>
    </message>
    <message>
        <source>Timeline (OpenTimelineIO)</source>
        <translation>Timeline (OpenTimelineIO)</translation>
    </message>
    <message>
        <source>Style sheet (CSS)</source>
        <translation>Stilvorlage (CSS)</translation>
    </message>
    <message>
        <source>Keyframes for an element, with the gentle version for those who wish for less motion</source>
        <translation>Keyframes für ein Element, mit der sanften Fassung für alle, die weniger Bewegung wünschen</translation>
    </message>
    <message>
        <source>Page that plays it (HTML)</source>
        <translation>Seite, die es abspielt (HTML)</translation>
    </message>
    <message>
        <source>The style sheet on a frame of the film</source>
        <translation>Die Stilvorlage auf einem Bild des Films</translation>
    </message>
    <message>
        <source>Moving drawing (SVG)</source>
        <translation>Bewegte Zeichnung (SVG)</translation>
    </message>
    <message>
        <source>A frame of the film that moves by itself</source>
        <translation>Ein Bild des Films, das sich selbst bewegt</translation>
    </message>
    <message>
        <source>Cues (WebVTT)</source>
        <translation>Cues (WebVTT)</translation>
    </message>
    <message>
        <source>Strikes as cues with their strength</source>
        <translation>Schläge als Cues mit ihrer Stärke</translation>
    </message>
    <message>
        <source>Notes (MIDI)</source>
        <translation>Noten (MIDI)</translation>
    </message>
    <message>
        <source>Strikes as notes with their strength</source>
        <translation>Schläge als Noten mit ihrer Stärke</translation>
    </message>
    <message>
        <source>Shake sheet (PDF, SVG, PNG)</source>
        <translation>Schlagblatt (PDF, SVG, PNG)</translation>
    </message>
    <message>
        <source>One page on a strike, for whoever must rebuild it by hand</source>
        <translation>Eine Seite über einen Schlag, für alle, die ihn von Hand nachbauen müssen</translation>
    </message>
    <message>
        <source>For games and pages: played by the header or the module in the folder runtime</source>
        <translation>Für Spiele und Seiten: abgespielt vom Header oder Modul im Ordner runtime</translation>
    </message>
    <message>
        <source>Recipe for playback (JSON)</source>
        <translation>Rezept zum Abspielen (JSON)</translation>
    </message>
    <message>
        <source>The file format</source>
        <translation>Als was sie geschrieben wird</translation>
    </message>
    <message>
        <source>Scene (USD, as text)</source>
        <translation>Szene (USD, als Text)</translation>
    </message>
    <message>
        <source>A camera or a plane that shakes, for 3D and compositing programs</source>
        <translation>Eine Kamera oder eine Fläche, die wackelt, für 3D- und Compositing-Programme</translation>
    </message>
    <message>
        <source>Shots as clips with their motion, strikes as markers, for editing programs</source>
        <translation>Einstellungen als Clips mit ihrer Bewegung, Schläge als Markierungen, für Schnittprogramme</translation>
    </message>
    <message>
        <source>Animation (Lottie)</source>
        <translation>Animation (Lottie)</translation>
    </message>
    <message>
        <source>A null layer that shakes, with a frame of the film as its child, for pages and apps</source>
        <translation>Eine leere Ebene, die wackelt, mit einem Bild des Films darunter, für Seiten und Apps</translation>
    </message>
    <message>
        <source>This format is of the whole film</source>
        <translation>Dieses Format umfasst den ganzen Film</translation>
    </message>
    <message>
        <source>Cues and notes tell when something strikes, not how it moves</source>
        <translation>Hinweise und Noten sagen, wann etwas einschlägt, nicht wie es sich bewegt</translation>
    </message>
</context>
<context>
    <name>ember::app::MotionStore</name>
    <message>
        <source>There is a motion called %1 already</source>
        <translation>Es gibt schon eine Bewegung namens %1</translation>
    </message>
    <message>
        <source>%1 could not be deleted</source>
        <translation>%1 konnte nicht gelöscht werden</translation>
    </message>
</context>
<context>
    <name>ember::app::MotionTableSheet</name>
    <message>
        <source>Import</source>
        <translation>Importieren</translation>
    </message>
    <message>
        <source>Import %1</source>
        <translation>%1 importieren</translation>
    </message>
    <message>
        <source>Frames a second</source>
        <translation>Bilder je Sekunde</translation>
    </message>
    <message>
        <source>Filmed in pictures of</source>
        <translation>Aufgenommen in Bildern von</translation>
    </message>
    <message>
        <source>Width and height in pixels, such as 1920x1080: motion is scaled from there to the film</source>
        <translation>Breite und Höhe in Pixeln, wie 1920x1080: die Bewegung wird von dort auf den Film umgerechnet</translation>
    </message>
    <message>
        <source>Not now</source>
        <translation>Nicht jetzt</translation>
    </message>
    <message>
        <source>Which column of the table is the %1</source>
        <translation>Welche Spalte der Tabelle %1 ist</translation>
    </message>
    <message>
        <source>none</source>
        <translation>ohne</translation>
    </message>
    <message>
        <source>What its numbers count</source>
        <translation>Was ihre Zahlen zählen</translation>
    </message>
    <message>
        <source>The rate should be a whole number or a fraction, such as 25 or 24000/1001.</source>
        <translation>Die Bildrate sollte eine ganze Zahl oder ein Bruch sein, wie 25 oder 24000/1001.</translation>
    </message>
    <message>
        <source>The size should be width x height in pixels, such as 1920x1080.</source>
        <translation>Die Größe sollte Breite x Höhe in Pixeln sein, wie 1920x1080.</translation>
    </message>
    <message>
        <source>%1 frames; %2 that have no row are bridged</source>
        <translation>%1 Bilder; %2 ohne Zeile sind überbrückt</translation>
    </message>
    <message>
        <source>%1 frames</source>
        <translation>%1 Bilder</translation>
    </message>
    <message>
        <source>Keeps it in your library of motions</source>
        <translation>Behält sie in Ihrer Sammlung von Bewegungen</translation>
    </message>
</context>
<context>
    <name>ember::app::MotionView</name>
    <message>
        <source>confidence</source>
        <translation>Gewissheit</translation>
    </message>
    <message>
        <source>frame %1: x %2 px, y %3 px, roll %4°, zoom %5 %</source>
        <translation>Bild %1: x %2 px, y %3 px, Roll %4°, Zoom %5 %</translation>
    </message>
    <message>
        <source>
confidence %1 %</source>
        <translation>
Gewissheit %1 %</translation>
    </message>
    <message>
        <source>
could not be measured: bridged from the frames beside it</source>
        <translation>
nicht messbar: aus den Bildern daneben überbrückt</translation>
    </message>
</context>
<context>
    <name>ember::app::NoticeBar</name>
    <message>
        <source>Find clip</source>
        <translation>Clip suchen</translation>
    </message>
    <message>
        <source>Open it</source>
        <translation>Öffnen</translation>
    </message>
    <message>
        <source>Dismiss</source>
        <translation>Verwerfen</translation>
    </message>
</context>
<context>
    <name>ember::app::OpenDocument</name>
    <message>
        <source>Undone: %1</source>
        <translation>Zurückgenommen: %1</translation>
    </message>
    <message>
        <source>Redone: %1</source>
        <translation>Wiederholt: %1</translation>
    </message>
</context>
<context>
    <name>ember::app::PadBoard</name>
    <message>
        <source>%1. Click to strike it: the higher, the harder. Key %2 strikes it fully, with Shift by half. Right click chooses it without striking.</source>
        <translation>%1. Klicken schlägt es: je höher, desto härter. Taste %2 schlägt es voll, mit Shift halb. Rechtsklick wählt es, ohne zu schlagen.</translation>
    </message>
    <message>
        <source>Pad %1: %2</source>
        <translation>Pad %1: %2</translation>
    </message>
    <message>
        <source>Strike</source>
        <translation>Schlagen</translation>
    </message>
    <message>
        <source>Choose</source>
        <translation>Wählen</translation>
    </message>
    <message>
        <source>Pads: strike them with the mouse or the keys 1 to 9 and 0</source>
        <translation>Pads, mit der Maus oder den Tasten 1 bis 9 und 0 zu schlagen</translation>
    </message>
</context>
<context>
    <name>ember::app::PadEditor</name>
    <message>
        <source>Add pad</source>
        <translation>Pad hinzufügen</translation>
    </message>
    <message>
        <source>Another pad</source>
        <translation>Noch ein Pad</translation>
    </message>
    <message>
        <source>Delete pad</source>
        <translation>Pad löschen</translation>
    </message>
    <message>
        <source>Takes this pad off the board</source>
        <translation>Nimmt dieses Pad von der Tafel</translation>
    </message>
    <message>
        <source>The pad&apos;s name, by which OSC messages can strike it; empty: its recipe&apos;s</source>
        <translation>Der Name des Pads, unter dem OSC-Nachrichten es schlagen; leer: der seines Rezepts</translation>
    </message>
    <message>
        <source>Pad named %1</source>
        <translation>Pad heißt %1</translation>
    </message>
    <message>
        <source>What it strikes in this state of the board</source>
        <translation>Was es in diesem Zustand der Tafel schlägt</translation>
    </message>
    <message>
        <source>Pad strikes %1</source>
        <translation>Pad schlägt %1</translation>
    </message>
    <message>
        <source>%1 m away: felt at %2 %, %3 frames later</source>
        <translation>%1 m entfernt: zu spüren mit %2 %, %3 Bilder später</translation>
    </message>
    <message>
        <source>Pad added</source>
        <translation>Pad hinzugefügt</translation>
    </message>
    <message>
        <source>Pad deleted</source>
        <translation>Pad gelöscht</translation>
    </message>
    <message>
        <source>Pad %1: %2</source>
        <translation>Pad %1: %2</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>note %1</source>
        <translation>Note %1</translation>
    </message>
    <message>
        <source>the seed chooses the direction</source>
        <translation>der Startwert wählt die Richtung</translation>
    </message>
    <message>
        <source>direction 90°</source>
        <translation>Richtung 90°</translation>
    </message>
    <message>
        <source>direction %1°</source>
        <translation>Richtung %1°</translation>
    </message>
    <message>
        <source>No pad</source>
        <translation>Kein Pad</translation>
    </message>
    <message>
        <source>A board has %1 pads at most</source>
        <translation>Eine Tafel hat höchstens %1 Pads</translation>
    </message>
    <message>
        <source>A board keeps one pad</source>
        <translation>Eine Tafel behält ein Pad</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
</context>
<context>
    <name>ember::app::PictureView</name>
    <message>
        <source>Strike goes %1° with %2 %</source>
        <translation>Schlag geht nach %1° mit %2 %</translation>
    </message>
    <message>
        <source>%1 px, %2°</source>
        <translation>%1 px, %2°</translation>
    </message>
    <message>
        <source>plain</source>
        <translation>Farbfläche</translation>
    </message>
    <message>
        <source>gentle</source>
        <translation>sanft</translation>
    </message>
    <message>
        <source>take %1</source>
        <translation>Take %1</translation>
    </message>
    <message>
        <source>no take kept</source>
        <translation>kein Take behalten</translation>
    </message>
    <message>
        <source>full</source>
        <translation>voll</translation>
    </message>
    <message>
        <source>now</source>
        <translation>jetzt</translation>
    </message>
    <message>
        <source>preview of %1 on this frame</source>
        <translation>Vorschau von %1 auf diesem Bild</translation>
    </message>
    <message>
        <source>all shakes bypassed</source>
        <translation>alle Erschütterungen umgangen</translation>
    </message>
    <message>
        <source>%1 frames left out</source>
        <translation>%1 Bilder ausgelassen</translation>
    </message>
    <message>
        <source>fit %1 %</source>
        <translation>eingepasst %1 %</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>cover over %1 %</source>
        <translation>Deckung über %1 %</translation>
    </message>
    <message>
        <source>cover off</source>
        <translation>Deckung aus</translation>
    </message>
    <message>
        <source>cover %1 %</source>
        <translation>Deckung %1 %</translation>
    </message>
    <message>
        <source>%1 fps</source>
        <translation>%1 fps</translation>
    </message>
    <message>
        <source>frame %1</source>
        <translation>Bild %1</translation>
    </message>
    <message>
        <source>at rest</source>
        <translation>in Ruhe</translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>light up to white</source>
        <translation>Licht bis Weiß</translation>
    </message>
</context>
<context>
    <name>ember::app::PivotMark</name>
    <message>
        <source>This point is followed in the clip; choose Point to place it by hand</source>
        <translation>Dieser Punkt wird im Clip verfolgt; Punkt wählen, um ihn von Hand zu setzen</translation>
    </message>
</context>
<context>
    <name>ember::app::PlaceBlock</name>
    <message>
        <source>%1 m away: beyond %2 m nothing is felt</source>
        <translation>%1 m entfernt: jenseits von %2 m ist nichts zu spüren</translation>
    </message>
    <message>
        <source>on its own frame %1</source>
        <translation>auf seinem eigenen Bild %1</translation>
    </message>
    <message>
        <source>on frame %1, 1 frame later</source>
        <translation>auf Bild %1, 1 Bild später</translation>
    </message>
    <message>
        <source>on frame %1, %2 frames later</source>
        <translation>auf Bild %1, %2 Bilder später</translation>
    </message>
    <message>
        <source>%1 m away: felt %2 %3, at %4 %</source>
        <translation>%1 m entfernt: zu spüren %2 %3, mit %4 %</translation>
    </message>
    <message>
        <source>(past the film&apos;s end)</source>
        <translation>(nach dem Ende des Films)</translation>
    </message>
    <message>
        <source>Place</source>
        <translation>Ort</translation>
    </message>
    <message>
        <source>Top view</source>
        <translation>Draufsicht</translation>
    </message>
    <message>
        <source>Far</source>
        <translation>Fern</translation>
    </message>
    <message>
        <source>Place: at the camera</source>
        <translation>Ort: an der Kamera</translation>
    </message>
    <message>
        <source>Place: %1</source>
        <translation>Ort: %1</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>on</source>
        <translation>an</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>Place: %1 %2</source>
        <translation>Ort: %1 %2</translation>
    </message>
    <message>
        <source>Shows events from above, with rings of equal strength and delay; drag them</source>
        <translation>Zeigt Ereignisse von oben, zum Ziehen, mit Ringen gleicher Stärke und Verzögerung</translation>
    </message>
</context>
<context>
    <name>ember::app::PlacesWindow</name>
    <message>
        <source>Key here</source>
        <translation>Key hier</translation>
    </message>
    <message>
        <source>Keeps where the camera stands at the playhead as a key; between keys it goes straight</source>
        <translation>Hält fest, wo die Kamera am Abspielpunkt steht; zwischen Keys geht sie gerade</translation>
    </message>
    <message>
        <source>Places</source>
        <translation>Orte</translation>
    </message>
    <message>
        <source>The selected strike</source>
        <translation>Der gewählte Schlag</translation>
    </message>
    <message>
        <source>On the way to the camera</source>
        <translation>Auf dem Weg zur Kamera</translation>
    </message>
    <message>
        <source>Camera path</source>
        <translation>Kameraweg</translation>
    </message>
    <message>
        <source>Place: %1 m right, %2 m ahead</source>
        <translation>Ort: %1 m rechts, %2 m voraus</translation>
    </message>
    <message>
        <source>Select a strike on the Reel first, then double-click where it happens.</source>
        <translation>Erst auf dem Filmband einen Schlag wählen, dann doppelklicken, wo er geschieht.</translation>
    </message>
    <message>
        <source>Camera key</source>
        <translation>Kamerakey</translation>
    </message>
    <message>
        <source>Camera key deleted</source>
        <translation>Kamerakey gelöscht</translation>
    </message>
    <message>
        <source>Camera key on frame %1</source>
        <translation>Kamerakey auf Bild %1</translation>
    </message>
    <message>
        <source>It counts where the way it travels is its own</source>
        <translation>Zählt, wo die Ausbreitung eigens gesetzt ist</translation>
    </message>
    <message>
        <source>Select a strike on the Reel: where it happens is set here.</source>
        <translation>Auf dem Filmband einen Schlag wählen: wo er geschieht, wird hier gesetzt.</translation>
    </message>
    <message>
        <source>It happens at the camera. Double-click in the view to say where, or choose it here.</source>
        <translation>Er geschieht an der Kamera. In der Ansicht doppelklicken, um zu sagen wo, oder es hier wählen.</translation>
    </message>
    <message>
        <source>Open a clip first</source>
        <translation>Erst einen Clip öffnen</translation>
    </message>
</context>
<context>
    <name>ember::app::Player</name>
    <message>
        <source>The clip is missing, so there is nothing to play</source>
        <translation>Der Clip fehlt, also gibt es nichts abzuspielen</translation>
    </message>
    <message>
        <source>Open a clip first</source>
        <translation>Erst einen Clip öffnen</translation>
    </message>
    <message>
        <source>The clip has no sound</source>
        <translation>Der Clip hat keinen Ton</translation>
    </message>
    <message>
        <source>No sound device: the clock leads</source>
        <translation>Kein Tongerät: die Uhr führt</translation>
    </message>
    <message>
        <source>Sound is off</source>
        <translation>Ton ist aus</translation>
    </message>
</context>
<context>
    <name>ember::app::PreferencesSheet</name>
    <message>
        <source>Preferences</source>
        <translation>Einstellungen</translation>
    </message>
    <message>
        <source>the system&apos;s</source>
        <translation>die des Systems</translation>
    </message>
    <message>
        <source>The language of the window; the guide is in English</source>
        <translation>Die Sprache des Fensters; die Anleitung ist auf Englisch</translation>
    </message>
    <message>
        <source>from the next start on</source>
        <translation>ab dem nächsten Start</translation>
    </message>
    <message>
        <source>Language</source>
        <translation>Sprache</translation>
    </message>
    <message>
        <source>the system&apos;s choice</source>
        <translation>Wahl des Systems</translation>
    </message>
    <message>
        <source>Where sound is played; without a device the clock leads</source>
        <translation>Wo der Ton gespielt wird; ohne Gerät führt die Uhr</translation>
    </message>
    <message>
        <source>Sound device</source>
        <translation>Tongerät</translation>
    </message>
    <message>
        <source>Measure</source>
        <translation>Messen</translation>
    </message>
    <message>
        <source>Tap along with clicks: how late they are heard becomes the number here</source>
        <translation>Zu Klicks mitklopfen: wie spät sie zu hören sind, wird die Zahl hier</translation>
    </message>
    <message>
        <source>No sound device: the clock leads</source>
        <translation>Kein Tongerät: die Uhr führt</translation>
    </message>
    <message>
        <source>Nothing moves by itself</source>
        <translation>Nichts bewegt sich von selbst</translation>
    </message>
    <message>
        <source>Recipes in the book are previewed standing at their peak instead of shaking, and struck pads do not fade. Until it is set here the desktop&apos;s wish for less motion decides.</source>
        <translation>Rezepte im Buch werden am Gipfel stehend gezeigt statt bebend, und geschlagene Pads verblassen nicht. Bis es hier gesetzt ist, entscheidet der Wunsch des Desktops nach weniger Bewegung.</translation>
    </message>
    <message>
        <source>Calm window</source>
        <translation>Ruhiges Fenster</translation>
    </message>
</context>
<context>
    <name>ember::app::ProgressDialog</name>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Stops it; nothing is changed</source>
        <translation>Hält es an; nichts wird geändert</translation>
    </message>
</context>
<context>
    <name>ember::app::ProjectFile</name>
    <message>
        <source>%1 (not saved yet)</source>
        <translation>%1 (noch nicht gespeichert)</translation>
    </message>
    <message>
        <source>No project</source>
        <translation>Kein Projekt</translation>
    </message>
    <message>
        <source>Reading %1</source>
        <translation>Liest %1</translation>
    </message>
    <message>
        <source>Clip found at %1</source>
        <translation>Clip gefunden unter %1</translation>
    </message>
    <message>
        <source>Saved as %1</source>
        <translation>Gespeichert als %1</translation>
    </message>
</context>
<context>
    <name>ember::app::ProxyMaker</name>
    <message>
        <source>%1 plays from its proxy</source>
        <translation>%1 spielt aus seinem Proxy</translation>
    </message>
</context>
<context>
    <name>ember::app::RecipePage</name>
    <message>
        <source>Point at a recipe to see it move on this frame; double-click or Enter applies it.</source>
        <translation>Auf ein Rezept zeigen, um es auf diesem Bild zu sehen; Doppelklick oder Enter wendet es an.</translation>
    </message>
    <message>
        <source>Apply</source>
        <translation>Anwenden</translation>
    </message>
    <message>
        <source>Duplicate</source>
        <translation>Verdoppeln</translation>
    </message>
    <message>
        <source>Rename</source>
        <translation>Umbenennen</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Up</source>
        <translation>Hoch</translation>
    </message>
    <message>
        <source>Down</source>
        <translation>Runter</translation>
    </message>
    <message>
        <source>Keep in my book</source>
        <translation>In mein Buch</translation>
    </message>
    <message>
        <source>Export</source>
        <translation>Exportieren</translation>
    </message>
    <message>
        <source>Import</source>
        <translation>Importieren</translation>
    </message>
    <message>
        <source>Undo in book</source>
        <translation>Buch zurück</translation>
    </message>
    <message>
        <source>In this project</source>
        <translation>In diesem Projekt</translation>
    </message>
    <message>
        <source>not used</source>
        <translation>nicht verwendet</translation>
    </message>
    <message>
        <source>1 strike</source>
        <translation>1 Schlag</translation>
    </message>
    <message>
        <source>%1 strikes</source>
        <translation>%1 Schläge</translation>
    </message>
    <message>
        <source>Shipped</source>
        <translation>Mitgeliefert</translation>
    </message>
    <message>
        <source>My book is empty: keep a recipe in it</source>
        <translation>Mein Buch ist leer: ein Rezept darin behalten</translation>
    </message>
    <message>
        <source>My book</source>
        <translation>Mein Buch</translation>
    </message>
    <message>
        <source>Choose a recipe first</source>
        <translation>Erst ein Rezept wählen</translation>
    </message>
    <message>
        <source>Shipped recipes stay as they are; duplicate or keep it to change it</source>
        <translation>Mitgelieferte Rezepte bleiben, wie sie sind; verdoppeln oder behalten, um sie zu ändern</translation>
    </message>
    <message>
        <source>Add</source>
        <translation>Hinzufügen</translation>
    </message>
    <message>
        <source>Adds it to the project; no strike is selected</source>
        <translation>Fügt es dem Projekt hinzu; es ist kein Schlag gewählt</translation>
    </message>
    <message>
        <source>The selected strikes use it (Enter)</source>
        <translation>Die gewählten Schläge verwenden es (Enter)</translation>
    </message>
    <message>
        <source>Open a clip first</source>
        <translation>Erst einen Clip öffnen</translation>
    </message>
    <message>
        <source>A copy to change: of a shipped one in this project</source>
        <translation>Eine Kopie zum Ändern: von einem mitgelieferten in diesem Projekt</translation>
    </message>
    <message>
        <source>Another name (F2)</source>
        <translation>Anderer Name (F2)</translation>
    </message>
    <message>
        <source>Takes it out; one that strikes use is asked about first</source>
        <translation>Nimmt es heraus; bei einem, das Schläge verwenden, wird erst gefragt</translation>
    </message>
    <message>
        <source>Moves it up the list</source>
        <translation>Rückt es in der Liste nach oben</translation>
    </message>
    <message>
        <source>Moves it down the list</source>
        <translation>Rückt es in der Liste nach unten</translation>
    </message>
    <message>
        <source>Puts a copy into your own book, for other projects</source>
        <translation>Legt eine Kopie in Ihr eigenes Buch, für andere Projekte</translation>
    </message>
    <message>
        <source>It is in your book already</source>
        <translation>Es ist schon in Ihrem Buch</translation>
    </message>
    <message>
        <source>Takes recipes from such a file into your book</source>
        <translation>Nimmt Rezepte aus solch einer Datei in Ihr Buch</translation>
    </message>
    <message>
        <source>Takes back: %1</source>
        <translation>Nimmt zurück: %1</translation>
    </message>
    <message>
        <source>Nothing was changed in your book</source>
        <translation>In Ihrem Buch wurde nichts geändert</translation>
    </message>
    <message>
        <source>%1 added to the project</source>
        <translation>%1 zum Projekt hinzugefügt</translation>
    </message>
    <message>
        <source>Recipe %1</source>
        <translation>Rezept %1</translation>
    </message>
    <message>
        <source>A recipe needs a name</source>
        <translation>Ein Rezept braucht einen Namen</translation>
    </message>
    <message>
        <source>Another recipe is called %1 already</source>
        <translation>Ein anderes Rezept heißt schon %1</translation>
    </message>
    <message>
        <source>Recipe named %1</source>
        <translation>Rezept heißt %1</translation>
    </message>
    <message>
        <source>naming of %1</source>
        <translation>Benennung von %1</translation>
    </message>
    <message>
        <source>copy of %1</source>
        <translation>Kopie von %1</translation>
    </message>
    <message>
        <source>%1 made</source>
        <translation>%1 angelegt</translation>
    </message>
    <message>
        <source>deletion of %1</source>
        <translation>Löschen von %1</translation>
    </message>
    <message>
        <source>%1 strikes use %2. Delete it and let them use %3?</source>
        <translation>%1 Schläge verwenden %2. Löschen und sie %3 verwenden lassen?</translation>
    </message>
    <message>
        <source>%1 strikes use %2, and there is no other recipe. Delete it and the strikes?</source>
        <translation>%1 Schläge verwenden %2, und es gibt kein anderes Rezept. Es und die Schläge löschen?</translation>
    </message>
    <message>
        <source>Recipe %1 deleted</source>
        <translation>Rezept %1 gelöscht</translation>
    </message>
    <message>
        <source>Recipe moved</source>
        <translation>Rezept verschoben</translation>
    </message>
    <message>
        <source>order</source>
        <translation>Reihenfolge</translation>
    </message>
    <message>
        <source>keeping of %1</source>
        <translation>Behalten von %1</translation>
    </message>
    <message>
        <source>%1 is in your book</source>
        <translation>%1 ist in Ihrem Buch</translation>
    </message>
    <message>
        <source>Export the recipe to</source>
        <translation>Das Rezept exportieren nach</translation>
    </message>
    <message>
        <source>Recipes (*.json)</source>
        <translation>Rezepte (*.json)</translation>
    </message>
    <message>
        <source>Recipe written to %1</source>
        <translation>Rezept in %1 geschrieben</translation>
    </message>
    <message>
        <source>Import recipes from</source>
        <translation>Rezepte importieren aus</translation>
    </message>
    <message>
        <source>1 recipe imported into your book</source>
        <translation>1 Rezept in Ihr Buch importiert</translation>
    </message>
    <message>
        <source>%1 recipes imported into your book</source>
        <translation>%1 Rezepte in Ihr Buch importiert</translation>
    </message>
    <message>
        <source>Recipes</source>
        <translation>Rezepte</translation>
    </message>
    <message>
        <source>Writes it to a small JSON file for somebody else. Or drag its line into a folder or another window.</source>
        <translation>Schreibt es für jemand anderen in eine kleine JSON-Datei. Oder die Zeile in einen Ordner oder ein anderes Fenster ziehen.</translation>
    </message>
</context>
<context>
    <name>ember::app::ReelView</name>
    <message>
        <source>Reel</source>
        <translation>Filmband</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>frame %1, %2 %</source>
        <translation>Bild %1, %2 %</translation>
    </message>
    <message>
        <source>Select</source>
        <translation>Wählen</translation>
    </message>
    <message>
        <source>Go there</source>
        <translation>Dorthin gehen</translation>
    </message>
    <message>
        <source>Gap of %1 frames.</source>
        <translation>Lücke von %1 Bildern.</translation>
    </message>
    <message>
        <source>%1, frames %2 to %3 of the film, from its frame %4 on.</source>
        <translation>%1, Bilder %2 bis %3 des Films, ab ihrem Bild %4.</translation>
    </message>
    <message>
        <source> Drag an end to trim it, the middle to move it in the order.</source>
        <translation> Ein Ende ziehen kürzt sie, die Mitte ziehen verschiebt sie in der Folge.</translation>
    </message>
    <message>
        <source>In %1 frames %2, %3 long</source>
        <translation>In %1 Bilder %2, %3 lang</translation>
    </message>
    <message>
        <source>earlier</source>
        <translation>früher</translation>
    </message>
    <message>
        <source>later</source>
        <translation>später</translation>
    </message>
    <message>
        <source>Out %1 frames %2, %3 long</source>
        <translation>Out %1 Bilder %2, %3 lang</translation>
    </message>
    <message>
        <source>Stays shot %1</source>
        <translation>Bleibt Einstellung %1</translation>
    </message>
    <message>
        <source>Becomes shot %1</source>
        <translation>Wird Einstellung %1</translation>
    </message>
    <message>
        <source>Strike moved to frame %1</source>
        <translation>Schlag auf Bild %1 verschoben</translation>
    </message>
    <message>
        <source>%1, frame %2, strength %3 %. Drag to move it; Ctrl+click adds it to the selection.</source>
        <translation>%1, Bild %2, Stärke %3 %. Ziehen verschiebt ihn; Ctrl+Klick nimmt ihn zur Auswahl.</translation>
    </message>
    <message>
        <source>. Click, then A accepts it and R rejects it.</source>
        <translation>. Klicken, dann nimmt A ihn an und R lehnt ihn ab.</translation>
    </message>
    <message>
        <source> Change it on the Film page.</source>
        <translation> Auf der Filmseite zu ändern.</translation>
    </message>
    <message>
        <source>Drag to move the playhead; with Shift, drag out a loop. Ctrl and wheel zooms, wheel scrolls.</source>
        <translation>Ziehen bewegt den Abspielpunkt; mit Shift zeichnet es eine Schleife. Ctrl und Rad zoomt, Rad rollt.</translation>
    </message>
    <message>
        <source>Strength %1 %</source>
        <translation>Stärke %1 %</translation>
    </message>
    <message>
        <source>Strike moved by %1 frame</source>
        <translation>Schlag um %1 Bild verschoben</translation>
    </message>
    <message>
        <source>One frame earlier</source>
        <translation>Ein Bild früher</translation>
    </message>
    <message>
        <source>One frame later</source>
        <translation>Ein Bild später</translation>
    </message>
    <message>
        <source>Settle mark</source>
        <translation>Ruhemarke</translation>
    </message>
    <message>
        <source>frame %1</source>
        <translation>Bild %1</translation>
    </message>
    <message>
        <source>Proposal: %1</source>
        <translation>Vorschlag: %1</translation>
    </message>
    <message>
        <source>Accept</source>
        <translation>Annehmen</translation>
    </message>
    <message>
        <source>Reject</source>
        <translation>Ablehnen</translation>
    </message>
    <message>
        <source>Intensity key deleted</source>
        <translation>Intensitäts-Key gelöscht</translation>
    </message>
    <message>
        <source>Key of the move deleted</source>
        <translation>Key der Fahrt gelöscht</translation>
    </message>
    <message>
        <source>Intensity %1 % on frame %2</source>
        <translation>Intensität %1 % auf Bild %2</translation>
    </message>
    <message>
        <source>Key of the move on frame %1</source>
        <translation>Key der Fahrt auf Bild %1</translation>
    </message>
    <message>
        <source>The film&apos;s intensity, up to 400 %: click on the line to add a key, drag it, Ctrl+click deletes it. The curve view (U, Film) eases it.</source>
        <translation>Die Intensität des Films, bis 400 %: auf die Linie klicken setzt einen Key, ziehen bewegt ihn, Strg+Klick löscht ihn. Die Kurven (U, Film) machen ihn weich.</translation>
    </message>
    <message>
        <source>Camera move</source>
        <translation>Kamerafahrt</translation>
    </message>
    <message>
        <source>Next value</source>
        <translation>Nächster Wert</translation>
    </message>
    <message>
        <source>Move: %1 on frame %2</source>
        <translation>Kamerafahrt: %1 auf Bild %2</translation>
    </message>
    <message>
        <source>The camera move: click on the line to add a key, drag it, Ctrl+click deletes it. A click on the lane&apos;s name shows the next of x, y, zoom and roll. The curve view (U, Film) eases it.</source>
        <translation>Die Kamerafahrt: ein Klick auf die Linie setzt einen Key, Ziehen bewegt ihn, Strg+Klick löscht ihn. Ein Klick auf den Namen der Spur zeigt den nächsten Wert: x, y, Zoom, Roll. Die Kurvenansicht (U, Film) gibt ihm seinen Verlauf.</translation>
    </message>
    <message>
        <source>Beat let go: evenly between those around it</source>
        <translation>Beat freigegeben: gleichmäßig zwischen denen daneben</translation>
    </message>
    <message>
        <source>Beat at %1 s, %2 BPM before it</source>
        <translation>Beat bei %1 s, davor %2 BPM</translation>
    </message>
    <message>
        <source>Beat at %1 s, %2 BPM. Drag it where the tempo changes: it snaps to what is heard (not with Shift), and later beats go along up to the next one that was dragged. Ctrl+click lets it go.</source>
        <translation>Beat bei %1 s, %2 BPM. Ziehen, wo das Tempo wechselt: er rastet bei dem ein, was zu hören ist (nicht mit Umschalt), und spätere Schläge gehen mit bis zum nächsten verschobenen. Strg+Klick gibt ihn frei.</translation>
    </message>
</context>
<context>
    <name>ember::app::RenderPanel</name>
    <message>
        <source>Replace a film that is there</source>
        <translation>Einen vorhandenen Film ersetzen</translation>
    </message>
    <message>
        <source>Render</source>
        <translation>Rendern</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Continue: keep finished frames</source>
        <translation>Fortsetzen: fertige Bilder behalten</translation>
    </message>
    <message>
        <source>Remove from queue</source>
        <translation>Aus der Warteschlange</translation>
    </message>
    <message>
        <source>Render film</source>
        <translation>Film rendern</translation>
    </message>
    <message>
        <source>Back to the strike</source>
        <translation>Zurück zum Schlag</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>GIF, for a quick look, no sound</source>
        <translation>GIF, für einen schnellen Blick, ohne Ton</translation>
    </message>
    <message>
        <source>PNG, one for each frame, no sound</source>
        <translation>PNG, eines für jedes Bild, ohne Ton</translation>
    </message>
    <message>
        <source>OpenEXR, one for each frame, linear light</source>
        <translation>OpenEXR, eines für jedes Bild, lineares Licht</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Choose</source>
        <translation>Wählen</translation>
    </message>
    <message>
        <source>Frames</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>The whole film</source>
        <translation>Der ganze Film</translation>
    </message>
    <message>
        <source>The loop</source>
        <translation>Die Schleife</translation>
    </message>
    <message>
        <source>From … to …</source>
        <translation>Von … bis …</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <source>full version</source>
        <translation>volle Fassung</translation>
    </message>
    <message>
        <source>gentle version</source>
        <translation>sanfte Fassung</translation>
    </message>
    <message>
        <source>both versions</source>
        <translation>beide Fassungen</translation>
    </message>
    <message>
        <source>The gentle version is for those whom much motion harms; Comfort says what it keeps</source>
        <translation>Die sanfte Fassung ist für alle, denen viel Bewegung schadet; Verträglichkeit sagt, was sie behält</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Quality</source>
        <translation>Qualität</translation>
    </message>
    <message>
        <source>draft: small and quick</source>
        <translation>Entwurf: klein und schnell</translation>
    </message>
    <message>
        <source>good</source>
        <translation>gut</translation>
    </message>
    <message>
        <source>best: large and slow</source>
        <translation>beste: groß und langsam</translation>
    </message>
    <message>
        <source>8 bits</source>
        <translation>8 Bit</translation>
    </message>
    <message>
        <source>16 bits</source>
        <translation>16 Bit</translation>
    </message>
    <message>
        <source>Queue</source>
        <translation>Warteschlange</translation>
    </message>
    <message>
        <source>Render to</source>
        <translation>Rendern nach</translation>
    </message>
    <message>
        <source>%1 x %2</source>
        <translation>%1 x %2</translation>
    </message>
    <message>
        <source>-shaken</source>
        <translation>-bebend</translation>
    </message>
    <message>
        <source>Choose &quot;From … to …&quot; above to set these frames</source>
        <translation>Oben „Von … bis …“ wählen, um diese Bilder zu setzen</translation>
    </message>
    <message>
        <source>Bits of each channel</source>
        <translation>Bits je Kanal</translation>
    </message>
    <message>
        <source>How large the film is and how long its coding takes</source>
        <translation>Wie groß der Film ist und wie lange seine Codierung dauert</translation>
    </message>
    <message>
        <source>This kind has one quality only</source>
        <translation>Diese Art hat nur eine Qualität</translation>
    </message>
    <message>
        <source>Only numbered pictures can be gone on with</source>
        <translation>Nur nummerierte Bilder lassen sich fortsetzen</translation>
    </message>
    <message>
        <source>Add to queue</source>
        <translation>In die Warteschlange</translation>
    </message>
    <message>
        <source>Renders this when what is before it is done (Ctrl+R)</source>
        <translation>Rendert dies, wenn das davor fertig ist (Ctrl+R)</translation>
    </message>
    <message>
        <source>Renders the film (Ctrl+R)</source>
        <translation>Rendert den Film (Ctrl+R)</translation>
    </message>
    <message>
        <source>Stops and leaves no file behind; the next of the queue begins</source>
        <translation>Hält an und lässt keine Datei zurück; das Nächste der Warteschlange beginnt</translation>
    </message>
    <message>
        <source>No render is running</source>
        <translation>Es läuft kein Rendern</translation>
    </message>
    <message>
        <source>Choose a line of the queue that is not running</source>
        <translation>Eine Zeile der Warteschlange wählen, die nicht läuft</translation>
    </message>
    <message>
        <source>Open a clip first.</source>
        <translation>Erst einen Clip öffnen.</translation>
    </message>
    <message>
        <source>The clip is not there yet.</source>
        <translation>Der Clip ist noch nicht da.</translation>
    </message>
    <message>
        <source>Say which file the film is written to.</source>
        <translation>Sagen Sie, in welche Datei der Film geschrieben wird.</translation>
    </message>
    <message>
        <source>There is no loop. Drag one out on the Reel&apos;s ruler with Shift, or choose other frames.</source>
        <translation>Es gibt keine Schleife. Auf dem Lineal des Filmbands mit Shift eine zeichnen, oder andere Bilder wählen.</translation>
    </message>
    <message>
        <source>The first frame is after the last.</source>
        <translation>Das erste Bild liegt nach dem letzten.</translation>
    </message>
    <message>
        <source>-gentle</source>
        <translation>-sanft</translation>
    </message>
    <message>
        <source>Queued: %1</source>
        <translation>In der Warteschlange: %1</translation>
    </message>
    <message>
        <source>Starting</source>
        <translation>Beginnt</translation>
    </message>
    <message>
        <source>waiting</source>
        <translation>wartet</translation>
    </message>
    <message>
        <source>running</source>
        <translation>läuft</translation>
    </message>
    <message>
        <source>done</source>
        <translation>fertig</translation>
    </message>
    <message>
        <source>not made</source>
        <translation>nicht gemacht</translation>
    </message>
    <message>
        <source>%1: %2, frames %3 to %4</source>
        <translation>%1: %2, Bilder %3 bis %4</translation>
    </message>
    <message>
        <source>Stopping</source>
        <translation>Hält an</translation>
    </message>
    <message>
        <source>Frame %1 of %2, %3 frames/s, %4 s left</source>
        <translation>Bild %1 von %2, %3 Bilder/s, noch %4 s</translation>
    </message>
    <message>
        <source>Film written: %1</source>
        <translation>Film geschrieben: %1</translation>
    </message>
    <message>
        <source>Cancelled. The pictures that are made stay.</source>
        <translation>Abgebrochen. Die fertigen Bilder bleiben.</translation>
    </message>
    <message>
        <source>Cancelled. No file was left behind.</source>
        <translation>Abgebrochen. Keine Datei blieb zurück.</translation>
    </message>
    <message>
        <source>Goes on with an interrupted render; finished frames stay</source>
        <translation>Für ein unterbrochenes Rendern; auch was fertig ist, bleibt</translation>
    </message>
    <message>
        <source>Removes this entry; no file is touched</source>
        <translation>Vergisst diese Zeile der Warteschlange; keine Datei wird berührt</translation>
    </message>
    <message>
        <source>TIFF, one for each frame, no sound</source>
        <translation>TIFF, eine Datei je Bild, ohne Ton</translation>
    </message>
    <message>
        <source>DPX, one for each frame, no sound</source>
        <translation>DPX, eine Datei je Bild, ohne Ton</translation>
    </message>
    <message>
        <source>Coding</source>
        <translation>Codierung</translation>
    </message>
    <message>
        <source>Films and pictures (*.mp4 *.mkv *.webm *.mov *.gif *.png *.tif *.dpx *.exr)</source>
        <translation>Filme und Bilder (*.mp4 *.mkv *.webm *.mov *.gif *.png *.tif *.dpx *.exr)</translation>
    </message>
    <message>
        <source>usual: %1</source>
        <translation>üblich: %1</translation>
    </message>
    <message>
        <source>16 bits (half floats)</source>
        <translation>16 Bit (halbe Floats)</translation>
    </message>
    <message>
        <source>32 bits (floats)</source>
        <translation>32 Bit (Floats)</translation>
    </message>
    <message>
        <source>How the pictures are coded</source>
        <translation>Wie die Bilder codiert werden</translation>
    </message>
    <message>
        <source>GIF holds 256 colours</source>
        <translation>GIF hat 256 Farben</translation>
    </message>
    <message>
        <source>This coding says how many bits it holds</source>
        <translation>Diese Codierung legt die Bittiefe selbst fest</translation>
    </message>
    <message>
        <source>No kind of film ends like this file: use .mp4, .mkv, .webm, .mov, .gif, .png, .tif, .dpx or .exr.</source>
        <translation>Keine Art von Film endet wie diese Datei: .mp4, .mkv, .webm, .mov, .gif, .png, .tif, .dpx oder .exr verwenden.</translation>
    </message>
    <message>
        <source>MP4, sound in AAC</source>
        <translation>MP4, Ton in AAC</translation>
    </message>
    <message>
        <source>MKV, sound in FLAC</source>
        <translation>MKV, Ton in FLAC</translation>
    </message>
    <message>
        <source>WebM, sound in Opus</source>
        <translation>WebM, Ton in Opus</translation>
    </message>
    <message>
        <source>MOV, sound in PCM</source>
        <translation>MOV, Ton in PCM</translation>
    </message>
    <message>
        <source>as the clip</source>
        <translation>wie der Clip</translation>
    </message>
    <message>
        <source>Save</source>
        <translation>Sichern</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Preset</source>
        <translation>Vorgabe</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>Your own ways to render, for every project: choose one, or type a name and save</source>
        <translation>Eigene Arten zu rendern, für jedes Projekt: eine wählen, oder einen Namen eingeben und sichern</translation>
    </message>
    <message>
        <source>Render queue</source>
        <translation>Liste rendern</translation>
    </message>
    <message>
        <source>Renders what waits in the queue (Ctrl+R)</source>
        <translation>Rendert, was in der Liste wartet (Strg+R)</translation>
    </message>
    <message>
        <source>Renders this and what waits in the queue (Ctrl+R)</source>
        <translation>Rendert dies und was in der Liste wartet (Strg+R)</translation>
    </message>
    <message>
        <source>A film of this name waits in the queue already</source>
        <translation>Ein Film dieses Namens wartet schon in der Liste</translation>
    </message>
    <message>
        <source>Waits in the queue: films of the same frames that wait are rendered in one pass</source>
        <translation>Wartet in der Liste: wartende Filme derselben Bilder werden in einem Durchgang gerendert</translation>
    </message>
    <message>
        <source>Type a name first</source>
        <translation>Erst einen Namen eingeben</translation>
    </message>
    <message>
        <source>The file&apos;s name says no kind of film</source>
        <translation>Der Dateiname nennt keine Art von Film</translation>
    </message>
    <message>
        <source>This preset is as it was saved</source>
        <translation>Diese Vorgabe ist, wie sie gesichert wurde</translation>
    </message>
    <message>
        <source>Replaces the preset “%1” by what is set here</source>
        <translation>Ersetzt die Vorgabe „%1“ durch das, was hier eingestellt ist</translation>
    </message>
    <message>
        <source>Saves what is set here as “%1”, for every project</source>
        <translation>Sichert das hier Eingestellte als „%1“, für jedes Projekt</translation>
    </message>
    <message>
        <source>Removes the preset “%1”</source>
        <translation>Entfernt die Vorgabe „%1“</translation>
    </message>
    <message>
        <source>No preset has this name</source>
        <translation>Keine Vorgabe hat diesen Namen</translation>
    </message>
    <message>
        <source>Preset saved: %1</source>
        <translation>Vorgabe gesichert: %1</translation>
    </message>
    <message>
        <source>Preset removed: %1</source>
        <translation>Vorgabe entfernt: %1</translation>
    </message>
    <message>
        <source>GIF and pictures but OpenEXR are coded in one way only</source>
        <translation>GIF und Bilder außer OpenEXR werden nur auf eine Art codiert</translation>
    </message>
    <message>
        <source>Renders in their order, each of the project as it was when added. Drag a film that is done into another program.</source>
        <translation>Rendert der Reihe nach, jeweils das Projekt, wie es beim Hinzufügen war. Ein fertiger Film lässt sich in ein anderes Programm ziehen.</translation>
    </message>
</context>
<context>
    <name>ember::app::Shaping</name>
    <message>
        <source>%1 follows the recipe again</source>
        <translation>%1 folgt wieder dem Rezept</translation>
    </message>
    <message>
        <source>Strand named %1</source>
        <translation>Strang heißt %1</translation>
    </message>
    <message>
        <source>Recipe %1</source>
        <translation>Rezept %1</translation>
    </message>
    <message>
        <source>Select one strike to give it its own recipe</source>
        <translation>Einen Schlag wählen, um ihm ein eigenes Rezept zu geben</translation>
    </message>
    <message>
        <source>%1 has its own recipe now: %2</source>
        <translation>%1 hat jetzt ein eigenes Rezept: %2</translation>
    </message>
    <message>
        <source>The keys of %1 follow the recipe again</source>
        <translation>Die Keys von %1 folgen wieder dem Rezept</translation>
    </message>
    <message>
        <source>It lasts until the last key</source>
        <translation>Sie dauert bis zum letzten Key</translation>
    </message>
</context>
<context>
    <name>ember::app::ShortcutSheet</name>
    <message>
        <source>Set</source>
        <translation>Setzen</translation>
    </message>
    <message>
        <source>Shortcuts</source>
        <translation>Tastenkürzel</translation>
    </message>
    <message>
        <source>Words of the action</source>
        <translation>Wörter der Aktion</translation>
    </message>
    <message>
        <source>Action</source>
        <translation>Aktion</translation>
    </message>
    <message>
        <source>Keys</source>
        <translation>Keys</translation>
    </message>
    <message>
        <source>Click here and press the keys; Escape takes them back</source>
        <translation>Hierher klicken und die Tasten drücken; Escape nimmt sie zurück</translation>
    </message>
    <message>
        <source>These keys do the chosen action</source>
        <translation>Diese Tasten tun die gewählte Aktion</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Keine</translation>
    </message>
    <message>
        <source>No keys for the chosen action</source>
        <translation>Keine Tasten für die gewählte Aktion</translation>
    </message>
    <message>
        <source>Choose an action first</source>
        <translation>Erst eine Aktion wählen</translation>
    </message>
    <message>
        <source>Click the field and press the keys it should have</source>
        <translation>Ins Feld klicken und die gewünschten Tasten drücken</translation>
    </message>
    <message>
        <source>%1 are the keys of “%2”. Take over gives them to this action; that one has none then.</source>
        <translation>%1 sind die Tasten von „%2“. Übernehmen gibt sie dieser Aktion; jene hat dann keine.</translation>
    </message>
    <message>
        <source>Take over</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <source>“%1” has no keys now</source>
        <translation>„%1“ hat jetzt keine Tasten</translation>
    </message>
    <message>
        <source>%1 now does “%2”; “%3” has no keys</source>
        <translation>%1 tut jetzt „%2“; „%3“ hat keine Tasten</translation>
    </message>
    <message>
        <source>%1 now does “%2”</source>
        <translation>%1 tut jetzt „%2“</translation>
    </message>
    <message>
        <source>Default</source>
        <translation>Üblich</translation>
    </message>
    <message>
        <source>It has its default keys</source>
        <translation>Sie hat ihre üblichen Tasten</translation>
    </message>
</context>
<context>
    <name>ember::app::ShotBlock</name>
    <message>
        <source>Split here</source>
        <translation>Hier teilen</translation>
    </message>
    <message>
        <source>Makes two shots of it at the playhead</source>
        <translation>Macht am Abspielpunkt zwei Einstellungen daraus</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Takes the shot under the playhead out of the film, with its strikes</source>
        <translation>Nimmt die Einstellung am Abspielpunkt mit ihren Schlägen aus dem Film</translation>
    </message>
    <message>
        <source>Shot %1 is %2 frames long</source>
        <translation>Einstellung %1 ist %2 Bilder lang</translation>
    </message>
    <message>
        <source>Shot %1 at %2 %</source>
        <translation>Einstellung %1 mit %2 %</translation>
    </message>
    <message>
        <source>Shot %1 from frame %2 of its clip</source>
        <translation>Einstellung %1 ab Bild %2 ihres Clips</translation>
    </message>
    <message>
        <source>gap</source>
        <translation>Lücke</translation>
    </message>
    <message>
        <source>Shot %1 of %2: %3</source>
        <translation>Einstellung %1 von %2: %3</translation>
    </message>
    <message>
        <source>Shot: %1</source>
        <translation>Einstellung: %1</translation>
    </message>
    <message>
        <source>It begins here already; go to where it is to be split</source>
        <translation>Sie beginnt schon hier; dorthin gehen, wo geteilt werden soll</translation>
    </message>
    <message>
        <source>It is the only shot</source>
        <translation>Es ist die einzige Einstellung</translation>
    </message>
    <message>
        <source>Put here</source>
        <translation>Hierher setzen</translation>
    </message>
    <message>
        <source>On the frame under the playhead</source>
        <translation>Auf das Bild am Abspielpunkt</translation>
    </message>
    <message>
        <source>%1, %2 %</source>
        <translation>%1, %2 %</translation>
    </message>
    <message>
        <source>%1 strikes wait: their frames are not shown. The first %2:</source>
        <translation>%1 Schläge warten: ihre Bilder sind nicht zu sehen. Die ersten %2:</translation>
    </message>
    <message>
        <source>Waiting, as their frames are not shown:</source>
        <translation>Warten, da ihre Bilder nicht zu sehen sind:</translation>
    </message>
    <message>
        <source>The picture of shot %1 is framed anew</source>
        <translation>Das Bild der Einstellung %1 liegt anders im Rahmen</translation>
    </message>
    <message>
        <source>The clip of shot %1 is read in another colour space</source>
        <translation>Der Clip der Einstellung %1 wird in einem anderen Farbraum gelesen</translation>
    </message>
    <message>
        <source>waits</source>
        <translation>wartet</translation>
    </message>
    <message>
        <source>being made: %1 %</source>
        <translation>entsteht: %1 %</translation>
    </message>
    <message>
        <source>A small copy of the clip, kept in the cache, that plays where the clip itself is too heavy. At rest the picture is the clip&apos;s own; films are never made from it.</source>
        <translation>Eine kleine Kopie des Clips im Zwischenspeicher, die spielt, wo der Clip selbst zu schwer ist. In Ruhe ist das Bild das des Clips; Filme entstehen nie daraus.</translation>
    </message>
    <message>
        <source>Key here</source>
        <translation>Key hier</translation>
    </message>
    <message>
        <source>Keeps how the picture lies in the frame at the playhead as a key; between keys it is reframed evenly. Strikes are added to it.</source>
        <translation>Hält als Key fest, wie das Bild am Abspielkopf im Format liegt; dazwischen wird gleichmäßig umkadriert. Schläge kommen dazu.</translation>
    </message>
    <message>
        <source>Delete key</source>
        <translation>Key löschen</translation>
    </message>
    <message>
        <source>Takes the key under the playhead away</source>
        <translation>Nimmt den Key unter dem Abspielkopf weg</translation>
    </message>
    <message>
        <source>Shot %1 is reframed with another easing</source>
        <translation>Einstellung %1 wird mit anderem Verlauf umkadriert</translation>
    </message>
    <message>
        <source>no keys: it stands</source>
        <translation>keine Keys: es steht</translation>
    </message>
    <message>
        <source>keys: %1</source>
        <translation>Keys: %1</translation>
    </message>
    <message>
        <source>No key stands on this frame</source>
        <translation>Auf diesem Bild steht kein Key</translation>
    </message>
    <message>
        <source>Framing key on frame %1</source>
        <translation>Ausschnitt-Key auf Bild %1</translation>
    </message>
    <message>
        <source>Framing key on frame %1 deleted</source>
        <translation>Ausschnitt-Key auf Bild %1 gelöscht</translation>
    </message>
    <message>
        <source>Plays from</source>
        <translation>Spielt aus</translation>
    </message>
    <message>
        <source>the clip</source>
        <translation>dem Clip</translation>
    </message>
    <message>
        <source>a half-size proxy</source>
        <translation>einem Proxy in halber Größe</translation>
    </message>
    <message>
        <source>a quarter-size proxy</source>
        <translation>einem Proxy in Viertelgröße</translation>
    </message>
</context>
<context>
    <name>ember::app::ShotCommands</name>
    <message>
        <source>%1 added</source>
        <translation>%1 hinzugefügt</translation>
    </message>
    <message>
        <source>%1 in place of the clip</source>
        <translation>%1 an Stelle des Clips</translation>
    </message>
    <message>
        <source>A gap of a second added</source>
        <translation>Eine Lücke von einer Sekunde hinzugefügt</translation>
    </message>
    <message>
        <source>A shot begins here already: go to where it is to be split</source>
        <translation>Hier beginnt schon eine Einstellung: dorthin gehen, wo geteilt werden soll</translation>
    </message>
    <message>
        <source>Split at frame %1</source>
        <translation>Bei Bild %1 geteilt</translation>
    </message>
    <message>
        <source>It is the only shot; close the project instead</source>
        <translation>Es ist die einzige Einstellung; statt dessen das Projekt schließen</translation>
    </message>
    <message>
        <source>Shot %1 deleted</source>
        <translation>Einstellung %1 gelöscht</translation>
    </message>
    <message>
        <source>It is the first shot</source>
        <translation>Es ist die erste Einstellung</translation>
    </message>
    <message>
        <source>It is the last shot</source>
        <translation>Es ist die letzte Einstellung</translation>
    </message>
    <message>
        <source>Now shot %1</source>
        <translation>Jetzt Einstellung %1</translation>
    </message>
    <message>
        <source>Shot %1 begins here</source>
        <translation>Einstellung %1 beginnt hier</translation>
    </message>
    <message>
        <source>Shot %1 ends here</source>
        <translation>Einstellung %1 endet hier</translation>
    </message>
    <message>
        <source>There is no cut: add a clip or split the film first</source>
        <translation>Es gibt keinen Schnitt: erst einen Clip hinzufügen oder den Film teilen</translation>
    </message>
    <message>
        <source>The cut on frame %1 is thrown</source>
        <translation>Der Schnitt auf Bild %1 ist geworfen</translation>
    </message>
    <message>
        <source>There is no cut to go with</source>
        <translation>Es gibt keinen Schnitt, mit dem er ginge</translation>
    </message>
    <message>
        <source>Goes with its shot</source>
        <translation>Geht mit seiner Einstellung</translation>
    </message>
    <message>
        <source>Pinned to the film</source>
        <translation>An den Film geheftet</translation>
    </message>
    <message>
        <source>Goes with the cut</source>
        <translation>Geht mit dem Schnitt</translation>
    </message>
    <message>
        <source>%1 put on frame %2</source>
        <translation>%1 auf Bild %2 gesetzt</translation>
    </message>
    <message>
        <source>Waiting strike deleted</source>
        <translation>Wartender Schlag gelöscht</translation>
    </message>
</context>
<context>
    <name>ember::app::SideColumn</name>
    <message>
        <source>Strike</source>
        <translation>Schlag</translation>
    </message>
    <message>
        <source>The selected strike and its recipe&apos;s strands (F5)</source>
        <translation>Der gewählte Schlag und die Stränge seines Rezepts (F5)</translation>
    </message>
    <message>
        <source>Recipes</source>
        <translation>Rezepte</translation>
    </message>
    <message>
        <source>The recipe book: this project&apos;s, the shipped ones, your own (F6)</source>
        <translation>Das Rezeptbuch: die dieses Projekts, mitgelieferte, eigene (F6)</translation>
    </message>
    <message>
        <source>Film</source>
        <translation>Film</translation>
    </message>
    <message>
        <source>All shakes together: intensity, where strikes meet, settle marks, drift, the shot&apos;s move (F7)</source>
        <translation>Alle Erschütterungen zusammen: Intensität, wo Schläge zusammentreffen, Ruhemarken, Drift, Bewegung der Einstellung (F7)</translation>
    </message>
    <message>
        <source>Finish</source>
        <translation>Finish</translation>
    </message>
    <message>
        <source>Edges and cover, motion blur, letterbox, layers (F8)</source>
        <translation>Ränder und Deckung, Bewegungsunschärfe, Letterbox, Ebenen (F8)</translation>
    </message>
</context>
<context>
    <name>ember::app::SoundBlock</name>
    <message>
        <source>Sound</source>
        <translation>Ton</translation>
    </message>
    <message>
        <source>What the strikes of this recipe sound like, on the first instant of their frames; as loud as they are strong, another for each variation</source>
        <translation>Wie die Schläge dieses Rezepts klingen, im ersten Moment ihrer Bilder; so laut, wie sie stark sind, anders für jede Variante</translation>
    </message>
    <message>
        <source>Own sound</source>
        <translation>Eigener Ton</translation>
    </message>
    <message>
        <source>A sound of your own</source>
        <translation>Ein eigener Ton</translation>
    </message>
    <message>
        <source>Sounds (*.wav *.flac *.mp3 *.ogg *.opus *.m4a);;All files (*)</source>
        <translation>Töne (*.wav *.flac *.mp3 *.ogg *.opus *.m4a);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Sounds as %1</source>
        <translation>Klingt wie %1</translation>
    </message>
    <message>
        <source>A sound file (WAV, FLAC or another) instead of a made one, for every strike of this recipe</source>
        <translation>Eine Tondatei (WAV, FLAC oder andere) statt eines gemachten Tons, für jeden Schlag dieses Rezepts</translation>
    </message>
    <message>
        <source>%1
Choose another</source>
        <translation>%1
Anderen wählen</translation>
    </message>
</context>
<context>
    <name>ember::app::StrandDetails</name>
    <message>
        <source>The strand&apos;s name</source>
        <translation>Der Name des Strangs</translation>
    </message>
    <message>
        <source>Another strand is called %1 already</source>
        <translation>Ein anderer Strang heißt schon %1</translation>
    </message>
    <message>
        <source>Source</source>
        <translation>Quelle</translation>
    </message>
    <message>
        <source>Own envelope</source>
        <translation>Eigene Hüllkurve</translation>
    </message>
    <message>
        <source>Solo</source>
        <translation>Solo</translation>
    </message>
    <message>
        <source>falls in</source>
        <translation>fällt in</translation>
    </message>
    <message>
        <source>Rebounds</source>
        <translation>Rückprall</translation>
    </message>
    <message>
        <source>none: still</source>
        <translation>keine: still</translation>
    </message>
    <message>
        <source>No camera&apos;s motion</source>
        <translation>Keine Kamerabewegung</translation>
    </message>
    <message>
        <source>Moves as: %1</source>
        <translation>Bewegt sich wie: %1</translation>
    </message>
    <message>
        <source>Up</source>
        <translation>Hoch</translation>
    </message>
    <message>
        <source>Move it up; the order changes nothing in the motion</source>
        <translation>Nach oben rücken; die Reihenfolge ändert nichts an der Bewegung</translation>
    </message>
    <message>
        <source>%1 moved up</source>
        <translation>%1 nach oben gerückt</translation>
    </message>
    <message>
        <source>Down</source>
        <translation>Runter</translation>
    </message>
    <message>
        <source>Move it down</source>
        <translation>Nach unten rücken</translation>
    </message>
    <message>
        <source>%1 moved down</source>
        <translation>%1 nach unten gerückt</translation>
    </message>
    <message>
        <source>To keys</source>
        <translation>Zu Keys</translation>
    </message>
    <message>
        <source>Turns this strand&apos;s motion, as this strike has it, into keys to be drawn on: the fewest that stay within 0.1 px and 0.02°</source>
        <translation>Verwandelt die Bewegung dieses Strangs, wie dieser Schlag sie hat, in Keys zum Zeichnen: die wenigsten, die innerhalb von 0.1 px und 0.02° bleiben</translation>
    </message>
    <message>
        <source>Duplicate</source>
        <translation>Verdoppeln</translation>
    </message>
    <message>
        <source>A second one like it, with noise of its own</source>
        <translation>Noch einer wie er, mit eigenem Rauschen</translation>
    </message>
    <message>
        <source>%1 duplicated</source>
        <translation>%1 verdoppelt</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <source>To the clipboard, for another recipe</source>
        <translation>In die Zwischenablage, für ein anderes Rezept</translation>
    </message>
    <message>
        <source>%1 copied; choose Paste strand at another recipe</source>
        <translation>%1 kopiert; bei einem anderen Rezept Einfügen wählen</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Takes it out of the recipe</source>
        <translation>Nimmt ihn aus dem Rezept</translation>
    </message>
    <message>
        <source>%1 deleted</source>
        <translation>%1 gelöscht</translation>
    </message>
    <message>
        <source>Curves</source>
        <translation>Kurven</translation>
    </message>
    <message>
        <source>Its keys in the curve view, in the Anvil&apos;s place (U)</source>
        <translation>Seine Keys als Kurven, statt des Ambosses (U)</translation>
    </message>
    <message>
        <source>Curves: %1 keys</source>
        <translation>Kurven: %1 Keys</translation>
    </message>
</context>
<context>
    <name>ember::app::StrandPanel</name>
    <message>
        <source>jitter, every frame</source>
        <translation>Zittern, jedes Bild</translation>
    </message>
    <message>
        <source>jitter, every %1 frames</source>
        <translation>Zittern, alle %1 Bilder</translation>
    </message>
    <message>
        <source>captured, no motion chosen</source>
        <translation>aufgenommen, keine Bewegung gewählt</translation>
    </message>
    <message>
        <source>captured, %1</source>
        <translation>aufgenommen, %1</translation>
    </message>
    <message>
        <source>kick, %1 Hz, damping %2</source>
        <translation>Stoß, %1 Hz, Dämpfung %2</translation>
    </message>
    <message>
        <source>%1, %2 to %3 Hz</source>
        <translation>%1, %2 bis %3 Hz</translation>
    </message>
    <message>
        <source>sine</source>
        <translation>Sinus</translation>
    </message>
    <message>
        <source>triangle</source>
        <translation>Dreieck</translation>
    </message>
    <message>
        <source>square</source>
        <translation>Rechteck</translation>
    </message>
    <message>
        <source>on</source>
        <translation>an</translation>
    </message>
    <message>
        <source>Off: this strand is left out</source>
        <translation>Aus: dieser Strang bleibt weg</translation>
    </message>
    <message>
        <source>Everything of this strand: source, rates, rests, own envelope, order</source>
        <translation>Alles an diesem Strang: Quelle, Frequenzen, Ruhen, eigene Hüllkurve, Reihenfolge</translation>
    </message>
    <message>
        <source>More</source>
        <translation>Mehr</translation>
    </message>
    <message>
        <source>+</source>
        <translation>+</translation>
    </message>
    <message>
        <source>How far it goes on %1 at strength 100 %. Drag; Shift for small steps, Escape takes it back.</source>
        <translation>Wie weit es bei Stärke 100 % auf %1 geht. Ziehen; Shift für kleine Schritte, Escape nimmt es zurück.</translation>
    </message>
    <message>
        <source>Lets it move on %1 too</source>
        <translation>Lässt ihn sich auch auf %1 bewegen</translation>
    </message>
    <message>
        <source>Pace</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>Speed</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>falls to</source>
        <translation>fällt auf</translation>
    </message>
    <message>
        <source>Less</source>
        <translation>Weniger</translation>
    </message>
    <message>
        <source>All of it is shown: it is what this strand is made of</source>
        <translation>Alles ist gezeigt: daraus besteht dieser Strang</translation>
    </message>
    <message>
        <source>on *</source>
        <translation>an *</translation>
    </message>
</context>
<context>
    <name>ember::app::StrengthBar</name>
    <message>
        <source>How hard it hits, 0 to 200 %. Drag; type larger values beside it.</source>
        <translation>Wie hart er trifft, 0 bis 200 %. Ziehen; größere Werte daneben eingeben.</translation>
    </message>
</context>
<context>
    <name>ember::app::StrikeBlock</name>
    <message>
        <source>Goes with</source>
        <translation>Geht mit</translation>
    </message>
    <message>
        <source>its shot</source>
        <translation>seiner Einstellung</translation>
    </message>
    <message>
        <source>the film</source>
        <translation>der Film</translation>
    </message>
    <message>
        <source>the cut</source>
        <translation>dem Schnitt</translation>
    </message>
    <message>
        <source>several</source>
        <translation>mehreren</translation>
    </message>
    <message>
        <source>The strike&apos;s name; type to change it</source>
        <translation>Der Name des Schlags; eingeben ändert ihn</translation>
    </message>
    <message>
        <source>Strike named %1</source>
        <translation>Schlag heißt %1</translation>
    </message>
    <message>
        <source>Strike is a %1 now</source>
        <translation>Art des Schlags ist jetzt %1</translation>
    </message>
    <message>
        <source>frame</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Strike moved to frame %1</source>
        <translation>Schlag auf Bild %1 verschoben</translation>
    </message>
    <message>
        <source>Strength %1 %</source>
        <translation>Stärke %1 %</translation>
    </message>
    <message>
        <source>Strengths changed together</source>
        <translation>Stärken zusammen geändert</translation>
    </message>
    <message>
        <source>Direction</source>
        <translation>Richtung</translation>
    </message>
    <message>
        <source>by seed</source>
        <translation>Startwert</translation>
    </message>
    <message>
        <source>Lets the variation choose the direction</source>
        <translation>Lässt die Variante die Richtung wählen</translation>
    </message>
    <message>
        <source>has a place</source>
        <translation>mit Ort</translation>
    </message>
    <message>
        <source>Gives it a place around the camera or in the picture: the further, the weaker and later, and the blow comes from there</source>
        <translation>Gibt ihm einen Ort um die Kamera oder im Bild: je ferner, desto schwächer und später, und der Stoß kommt von dort</translation>
    </message>
    <message>
        <source>Place: 10 m ahead</source>
        <translation>Ort: 10 m voraus</translation>
    </message>
    <message>
        <source>Place: at the camera</source>
        <translation>Ort: an der Kamera</translation>
    </message>
    <message>
        <source>Direction %1°</source>
        <translation>Richtung %1°</translation>
    </message>
    <message>
        <source>The seed chooses the direction</source>
        <translation>Der Startwert wählt die Richtung</translation>
    </message>
    <message>
        <source>Direction 90°</source>
        <translation>Richtung 90°</translation>
    </message>
    <message>
        <source>Variation</source>
        <translation>Variante</translation>
    </message>
    <message>
        <source>Variation %1</source>
        <translation>Variante %1</translation>
    </message>
    <message>
        <source>New</source>
        <translation>Neu</translation>
    </message>
    <message>
        <source>Another shake of the same kind (N)</source>
        <translation>Eine andere Erschütterung derselben Art (N)</translation>
    </message>
    <message>
        <source>locked</source>
        <translation>gesperrt</translation>
    </message>
    <message>
        <source>Keeps an approved variation: New leaves it alone (Shift+N)</source>
        <translation>Behält eine gebilligte Variante: Neu lässt sie in Ruhe (Shift+N)</translation>
    </message>
    <message>
        <source>Recipe</source>
        <translation>Rezept</translation>
    </message>
    <message>
        <source>%1 strikes</source>
        <translation>%1 Schläge</translation>
    </message>
    <message>
        <source>Several strikes are selected; drag them on the Reel to move them together</source>
        <translation>Mehrere Schläge sind gewählt; auf dem Filmband ziehen verschiebt sie zusammen</translation>
    </message>
    <message>
        <source>The shake this strike makes; all strikes of a recipe follow it.</source>
        <translation>Die Erschütterung dieses Schlags; alle Schläge eines Rezepts folgen ihm.</translation>
    </message>
    <message>
        <source>1 strike uses this one.</source>
        <translation>1 Schlag verwendet dieses.</translation>
    </message>
    <message>
        <source>%1 strikes use this one.</source>
        <translation>%1 Schläge verwenden dieses.</translation>
    </message>
    <message>
        <source>The variation is locked; switch it off to free it</source>
        <translation>Die Variante ist gesperrt; ausschalten gibt sie frei</translation>
    </message>
    <message>
        <source>All strikes of this recipe move alike, by the recipe&apos;s seed below</source>
        <translation>Alle Schläge dieses Rezepts bewegen sich gleich, nach dem Startwert des Rezepts unten</translation>
    </message>
    <message>
        <source>The blow comes from its place; switch Directed from place off to set it</source>
        <translation>Der Stoß kommt von seinem Ort; Richtung vom Ort her ausschalten, um sie zu setzen</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>What it keeps to when shots are trimmed, moved or retimed: the frame of its clip, the frame of the film, or the cut it peaks on</source>
        <translation>Wem der Schlag folgt, wenn Einstellungen gekürzt, verschoben oder im Tempo geändert werden: dem Bild seines Clips, dem Bild des Films oder dem Schnitt, auf dem sein Gipfel liegt</translation>
    </message>
    <message>
        <source>A label for what hits; the motion comes from the recipe</source>
        <translation>Was einschlägt; es ist ein Etikett, die Bewegung kommt vom Rezept</translation>
    </message>
</context>
<context>
    <name>ember::app::StrikeCommands</name>
    <message>
        <source>Open a clip first: a strike needs a frame to stand on</source>
        <translation>Erst einen Clip öffnen: ein Schlag braucht ein Bild, auf dem er steht</translation>
    </message>
    <message>
        <source>%1 put on frame %2</source>
        <translation>%1 auf Bild %2 gesetzt</translation>
    </message>
    <message>
        <source>Strike deleted</source>
        <translation>Schlag gelöscht</translation>
    </message>
    <message>
        <source>%1 strikes deleted</source>
        <translation>%1 Schläge gelöscht</translation>
    </message>
    <message>
        <source>Strike duplicated</source>
        <translation>Schlag verdoppelt</translation>
    </message>
    <message>
        <source>%1 strikes duplicated</source>
        <translation>%1 Schläge verdoppelt</translation>
    </message>
    <message>
        <source>Strike moved by %1 frame</source>
        <translation>Schlag um %1 Bild verschoben</translation>
    </message>
    <message>
        <source>Strike moved to frame %1</source>
        <translation>Schlag auf Bild %1 verschoben</translation>
    </message>
    <message>
        <source>%1 strikes at %2 % of their strength</source>
        <translation>%1 Schläge auf %2 % ihrer Stärke</translation>
    </message>
    <message>
        <source>%1 % as long, with the same peak</source>
        <translation>%1 % so lang, mit demselben Gipfel</translation>
    </message>
    <message>
        <source>Values of %1 pasted to %2 strikes</source>
        <translation>Werte von %1 in %2 Schläge eingefügt</translation>
    </message>
    <message>
        <source>The variation is locked; unlock it to try another</source>
        <translation>Die Variante ist gesperrt; freigeben, um eine andere zu versuchen</translation>
    </message>
    <message>
        <source>New variation</source>
        <translation>Neue Variante</translation>
    </message>
    <message>
        <source>Variation locked</source>
        <translation>Variante gesperrt</translation>
    </message>
    <message>
        <source>Variation unlocked</source>
        <translation>Variante freigegeben</translation>
    </message>
    <message>
        <source>All shakes bypassed</source>
        <translation>Alle Erschütterungen umgangen</translation>
    </message>
    <message>
        <source>Shakes are felt again</source>
        <translation>Erschütterungen sind wieder zu spüren</translation>
    </message>
    <message>
        <source>Shakes end on frame %1</source>
        <translation>Erschütterungen enden auf Bild %1</translation>
    </message>
    <message>
        <source>Shakes eased home from frame %1</source>
        <translation>Erschütterungen klingen ab Bild %1 aus</translation>
    </message>
    <message>
        <source>No strike after this frame</source>
        <translation>Nach diesem Bild kein Schlag</translation>
    </message>
    <message>
        <source>No strike before this frame</source>
        <translation>Vor diesem Bild kein Schlag</translation>
    </message>
    <message>
        <source>Making keys</source>
        <translation>Keys erzeugen</translation>
    </message>
    <message>
        <source>%1 keys, off by %2 px and %3° at most</source>
        <translation>%1 Keys, höchstens %2 px und %3° daneben</translation>
    </message>
    <message>
        <source>Select one strike to turn its motion into keys</source>
        <translation>Einen Schlag wählen, um seine Bewegung in Keys zu verwandeln</translation>
    </message>
    <message>
        <source>Select one strike to end it alone</source>
        <translation>Einen Schlag wählen, um ihn allein zu beenden</translation>
    </message>
    <message>
        <source>Go to a frame after the strike to end it there</source>
        <translation>Zu einem Bild nach dem Schlag gehen, um ihn dort zu beenden</translation>
    </message>
    <message>
        <source>%1 ends on frame %2</source>
        <translation>%1 endet auf Bild %2</translation>
    </message>
    <message>
        <source>%1 is eased home from frame %2</source>
        <translation>%1 klingt ab Bild %2 aus</translation>
    </message>
    <message>
        <source>Select one strike to follow its pivot</source>
        <translation>Einen Schlag wählen, um seinen Drehpunkt zu verfolgen</translation>
    </message>
    <message>
        <source>Following the pivot</source>
        <translation>Drehpunkt wird verfolgt</translation>
    </message>
    <message>
        <source>The pivot was followed over %1 frames</source>
        <translation>Der Drehpunkt wurde über %1 Bilder verfolgt</translation>
    </message>
    <message>
        <source>The pivot was followed over %1 frames; on %2 it was not found and goes on as before</source>
        <translation>Der Drehpunkt wurde über %1 Bilder verfolgt; auf %2 wurde er nicht gefunden und geht weiter wie zuvor</translation>
    </message>
    <message>
        <source>%1 copied, with its recipe</source>
        <translation>%1 kopiert, mit dem Rezept</translation>
    </message>
    <message>
        <source>%1 strikes copied, with their recipes</source>
        <translation>%1 Schläge kopiert, mit ihren Rezepten</translation>
    </message>
    <message>
        <source>A strike stands here already: go to another frame and paste</source>
        <translation>Hier steht schon ein Schlag: gehen Sie zu einem anderen Bild und fügen Sie dort ein</translation>
    </message>
    <message>
        <source>Strike pasted</source>
        <translation>Schlag eingefügt</translation>
    </message>
    <message>
        <source>%1 strikes pasted</source>
        <translation>%1 Schläge eingefügt</translation>
    </message>
    <message>
        <source>recipe %1 added</source>
        <translation>Rezept %1 hinzugefügt</translation>
    </message>
    <message>
        <source>%1 past the end of the film left out</source>
        <translation>%1 hinter dem Ende des Films weggelassen</translation>
    </message>
</context>
<context>
    <name>ember::app::StrikeModel</name>
    <message>
        <source>by seed</source>
        <translation>Startwert</translation>
    </message>
    <message>
        <source>Values of its own, which differ from the recipe&apos;s</source>
        <translation>Eigene Werte, die vom Rezept abweichen</translation>
    </message>
    <message>
        <source>Frame</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Timecode</source>
        <translation>Timecode</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Strength</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>Recipe</source>
        <translation>Rezept</translation>
    </message>
    <message>
        <source>Direction</source>
        <translation>Richtung</translation>
    </message>
    <message>
        <source>Own values</source>
        <translation>Eigene Werte</translation>
    </message>
    <message>
        <source>“%1” is no number.</source>
        <translation>„%1“ ist keine Zahl.</translation>
    </message>
    <message>
        <source>%1 is out of range: %2 to %3 %4.</source>
        <translation>%1 liegt außerhalb: %2 bis %3 %4.</translation>
    </message>
    <message>
        <source>“%1” is no frame of this film.</source>
        <translation>„%1“ ist kein Bild dieses Films.</translation>
    </message>
    <message>
        <source>Strike moved to frame %1</source>
        <translation>Schlag auf Bild %1 verschoben</translation>
    </message>
    <message>
        <source>Strike named %1</source>
        <translation>Schlag heißt %1</translation>
    </message>
    <message>
        <source>Strike is a %1 now</source>
        <translation>Art des Schlags ist jetzt %1</translation>
    </message>
    <message>
        <source>“%1” is no kind: blast, landing, hit or beat.</source>
        <translation>„%1“ ist keine Art: Explosion, Landung, Treffer oder Beat.</translation>
    </message>
    <message>
        <source>Strength %1</source>
        <translation>Stärke %1</translation>
    </message>
    <message>
        <source>Strike uses %1</source>
        <translation>Schlag verwendet %1</translation>
    </message>
    <message>
        <source>This project has no recipe “%1”.</source>
        <translation>Dieses Projekt hat kein Rezept „%1“.</translation>
    </message>
    <message>
        <source>The seed chooses the direction</source>
        <translation>Der Startwert wählt die Richtung</translation>
    </message>
    <message>
        <source>Direction %1°</source>
        <translation>Richtung %1°</translation>
    </message>
</context>
<context>
    <name>ember::app::StrikePage</name>
    <message>
        <source>Add strand</source>
        <translation>Neuer Strang</translation>
    </message>
    <message>
        <source>Another source of motion in this recipe</source>
        <translation>Noch eine Quelle von Bewegung in diesem Rezept</translation>
    </message>
    <message>
        <source>Paste strand</source>
        <translation>Einfügen</translation>
    </message>
    <message>
        <source>A strand that was copied from any recipe</source>
        <translation>Ein Strang, der aus irgendeinem Rezept kopiert wurde</translation>
    </message>
    <message>
        <source>More of the recipe</source>
        <translation>Mehr vom Rezept</translation>
    </message>
    <message>
        <source>Own recipe</source>
        <translation>Eigenes Rezept</translation>
    </message>
    <message>
        <source>Makes this strike its own recipe, as it is now; others keep theirs</source>
        <translation>Macht diesem Schlag ein eigenes Rezept, so wie er jetzt ist; andere behalten ihres</translation>
    </message>
    <message>
        <source>Strikes</source>
        <translation>Schläge</translation>
    </message>
    <message>
        <source>Strikes of a group meet by the group&apos;s own rule, apart from all others (see Film)</source>
        <translation>Schläge einer Gruppe treffen nach der Regel der Gruppe zusammen, getrennt von allen anderen (siehe Film)</translation>
    </message>
    <message>
        <source>Group</source>
        <translation>Gruppe</translation>
    </message>
    <message>
        <source>Strike in a new group</source>
        <translation>Schlag in neuer Gruppe</translation>
    </message>
    <message>
        <source>Strike in no group</source>
        <translation>Schlag in keiner Gruppe</translation>
    </message>
    <message>
        <source>Strike in %1</source>
        <translation>Schlag in %1</translation>
    </message>
    <message>
        <source>Less of the recipe</source>
        <translation>Weniger vom Rezept</translation>
    </message>
    <message>
        <source>Strand %1 added</source>
        <translation>Strang %1 hinzugefügt</translation>
    </message>
    <message>
        <source>No strike yet.

Ctrl+F finds them all. Or step to the first frame of contact and press S, or 1 blast, 2 landing, 3 hit, 4 beat.</source>
        <translation>Noch kein Schlag.

Ctrl+F findet sie alle. Oder zum ersten Bild des Kontakts gehen und S drücken, oder 1 Explosion, 2 Landung, 3 Treffer, 4 Beat.</translation>
    </message>
    <message>
        <source>No strike selected.

Click a spark on the Reel, or press Up and Down to go from strike to strike.</source>
        <translation>Kein Schlag gewählt.

Auf dem Filmband einen Funken anklicken, oder mit Hoch und Runter von Schlag zu Schlag gehen.</translation>
    </message>
    <message>
        <source>Select one strike to give it its own recipe</source>
        <translation>Einen Schlag wählen, um ihm ein eigenes Rezept zu geben</translation>
    </message>
    <message>
        <source>Each strike moves by its own variation; choose &quot;same&quot; to move all by this seed</source>
        <translation>Jeder Schlag bewegt sich nach eigener Variante; „gleich“ wählen, um alle nach diesem Startwert zu bewegen</translation>
    </message>
    <message>
        <source>none</source>
        <translation>ohne</translation>
    </message>
    <message>
        <source>new group</source>
        <translation>neue Gruppe</translation>
    </message>
    <message>
        <source>Overall strength, variation, light and sound</source>
        <translation>Seine Stärke im Ganzen, wie seine Schläge sich unterscheiden, Licht und Ton</translation>
    </message>
</context>
<context>
    <name>ember::app::StrikeTable</name>
    <message>
        <source>Strikes</source>
        <translation>Schläge</translation>
    </message>
    <message>
        <source>Double-click or F2 edits a cell; rows that are picked are selected on the Reel, too</source>
        <translation>Doppelklick oder F2 bearbeitet eine Zelle; gewählte Zeilen sind auch auf dem Filmband gewählt</translation>
    </message>
    <message>
        <source>Changes those of the picked strikes (of all where none is) by chance within the range; again, by another chance</source>
        <translation>Ändert die der gewählten Schläge (alle, wenn keiner gewählt ist) zufällig innerhalb des Bereichs; noch einmal: nach anderem Zufall</translation>
    </message>
    <message>
        <source>by up to</source>
        <translation>um bis zu</translation>
    </message>
    <message>
        <source>Scatter strengths</source>
        <translation>Stärken streuen</translation>
    </message>
    <message>
        <source>Scatter directions</source>
        <translation>Richtungen streuen</translation>
    </message>
    <message>
        <source>Strengths scattered</source>
        <translation>Stärken gestreut</translation>
    </message>
    <message>
        <source>Directions scattered</source>
        <translation>Richtungen gestreut</translation>
    </message>
    <message>
        <source>%1 strikes</source>
        <translation>%1 Schläge</translation>
    </message>
    <message>
        <source>%1 of %2 picked</source>
        <translation>%1 von %2 gewählt</translation>
    </message>
</context>
<context>
    <name>ember::app::SwingTable</name>
    <message>
        <source>from</source>
        <translation>von</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <source>frequency</source>
        <translation>Frequenz</translation>
    </message>
    <message>
        <source>phase</source>
        <translation>Phase</translation>
    </message>
</context>
<context>
    <name>ember::app::Takes</name>
    <message>
        <source>Kept as take %1</source>
        <translation>Als Take %1 behalten</translation>
    </message>
    <message>
        <source>This is take %1; keep another first</source>
        <translation>Das ist Take %1; erst einen anderen behalten</translation>
    </message>
    <message>
        <source>Nothing kept yet: keep this as take A, change something, keep it as B</source>
        <translation>Noch nichts behalten: dies als Take A behalten, etwas ändern, als B behalten</translation>
    </message>
    <message>
        <source>Take %1</source>
        <translation>Take %1</translation>
    </message>
    <message>
        <source>A</source>
        <translation>A</translation>
    </message>
    <message>
        <source>B</source>
        <translation>B</translation>
    </message>
</context>
<context>
    <name>ember::app::TapTest</name>
    <message>
        <source>Use it</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <source>Tap test</source>
        <translation>Klopftest</translation>
    </message>
    <message>
        <source>Sound latency</source>
        <translation>Tonlatenz</translation>
    </message>
    <message>
        <source>No offset</source>
        <translation>Kein Versatz</translation>
    </message>
    <message>
        <source>Taps count where they come</source>
        <translation>Klopfer zählen, wo sie kommen</translation>
    </message>
    <message>
        <source>The picture does not wait</source>
        <translation>Das Bild wartet nicht</translation>
    </message>
    <message>
        <source>Leave as it was</source>
        <translation>Lassen, wie es war</translation>
    </message>
    <message>
        <source>Press K, or the space bar, along with the light: %1 of %2.</source>
        <translation>K oder die Leertaste mit dem Licht drücken: %1 von %2.</translation>
    </message>
    <message>
        <source>Press K, or the space bar, along with the clicks, eyes closed: %1 of %2.</source>
        <translation>K oder die Leertaste mit den Klicks drücken, Augen zu: %1 von %2.</translation>
    </message>
    <message>
        <source>You tap %1 ms after the light. Taps can be set back by that from now on.</source>
        <translation>Sie klopfen %1 ms nach dem Licht. Klopfer können von jetzt an darum zurückgesetzt werden.</translation>
    </message>
    <message>
        <source>Taps are set back by %1 ms now.</source>
        <translation>Klopfer werden jetzt um %1 ms zurückgesetzt.</translation>
    </message>
    <message>
        <source>The sound arrives %1 ms late. The picture can wait that long from now on.</source>
        <translation>Der Ton kommt %1 ms spät an. Das Bild kann von jetzt an so lange warten.</translation>
    </message>
    <message>
        <source>Do the tap test with the light first (Find, Tap test): how late you tap yourself is taken off.</source>
        <translation>Erst den Klopftest mit dem Licht machen (Finden, Klopftest): wie spät Sie selbst klopfen, wird abgezogen.</translation>
    </message>
    <message>
        <source>Sets taps back by this</source>
        <translation>Setzt Klopfer darum zurück</translation>
    </message>
    <message>
        <source>The picture waits this long while it plays</source>
        <translation>Das Bild wartet beim Abspielen so lange</translation>
    </message>
    <message>
        <source>Tap along first</source>
        <translation>Erst mitklopfen</translation>
    </message>
    <message>
        <source>There is no sound device.</source>
        <translation>Es gibt kein Tongerät, das zu hören wäre.</translation>
    </message>
</context>
<context>
    <name>ember::app::Tapper</name>
    <message>
        <source>1 strike tapped</source>
        <translation>1 Schlag geklopft</translation>
    </message>
    <message>
        <source>%1 strikes tapped</source>
        <translation>%1 Schläge geklopft</translation>
    </message>
</context>
<context>
    <name>ember::app::TopView</name>
    <message>
        <source>Events around the camera from above</source>
        <translation>Ereignisse um die Kamera von oben</translation>
    </message>
    <message>
        <source>%1 m</source>
        <translation>%1 m</translation>
    </message>
    <message>
        <source>%1: %2 %, felt at %3 %. Drag to move it, or use the arrow keys.</source>
        <translation>%1: %2 %, zu spüren mit %3 %. Ziehen verschiebt es, oder die Pfeiltasten.</translation>
    </message>
    <message>
        <source>The camera from above; ahead is up. Solid rings: equal strength; dashed: equal delay. Double-click to put the selected event here; the wheel zooms, F fits.</source>
        <translation>Die Kamera von oben; voraus ist oben. Ringe: gleiche Stärke; gestrichelt: gleiche Verzögerung. Doppelklick setzt das gewählte Ereignis hierher; das Rad zoomt, F passt ein.</translation>
    </message>
    <message>
        <source>%1 m right, %2 m ahead, felt at %3 %</source>
        <translation>%1 m rechts, %2 m voraus, zu spüren mit %3 %</translation>
    </message>
    <message>
        <source>Choose</source>
        <translation>Wählen</translation>
    </message>
    <message>
        <source>A metre to the left</source>
        <translation>Einen Meter nach links</translation>
    </message>
    <message>
        <source>A metre to the right</source>
        <translation>Einen Meter nach rechts</translation>
    </message>
    <message>
        <source>A metre further</source>
        <translation>Einen Meter weiter weg</translation>
    </message>
    <message>
        <source>A metre nearer</source>
        <translation>Einen Meter näher</translation>
    </message>
</context>
<context>
    <name>ember::app::TraceView</name>
    <message>
        <source>Shows %1, where it moves</source>
        <translation>Zeigt %1, wo sie sich bewegt</translation>
    </message>
    <message>
        <source>Speed</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>How far it goes in a frame, instead of where it is</source>
        <translation>Wie weit es in einem Bild geht, statt wo es ist</translation>
    </message>
    <message>
        <source>Whole film</source>
        <translation>Ganzer Film</translation>
    </message>
    <message>
        <source>The whole film, instead of the selected strike and what runs beside it</source>
        <translation>Der ganze Film statt des gewählten Schlags und dessen, was daneben läuft</translation>
    </message>
    <message>
        <source>frame %1</source>
        <translation>Bild %1</translation>
    </message>
    <message>
        <source>%1 at %2</source>
        <translation>%1 bei %2</translation>
    </message>
    <message>
        <source>No axis chosen: press x, y or another above</source>
        <translation>Keine Achse gewählt: oben x, y oder eine andere drücken</translation>
    </message>
    <message>
        <source>Open a clip and put a strike on it: its motion is drawn here</source>
        <translation>Einen Clip öffnen und einen Schlag darauf setzen: hier wird seine Bewegung gezeichnet</translation>
    </message>
    <message>
        <source>Motion axis by axis</source>
        <translation>Bewegung Achse für Achse</translation>
    </message>
    <message>
        <source>at rest</source>
        <translation>in Ruhe</translation>
    </message>
    <message>
        <source>Go to its peak</source>
        <translation>Zu ihrem Gipfel gehen</translation>
    </message>
</context>
<context>
    <name>ember::app::ValueControl</name>
    <message>
        <source>.
Ctrl+click resets it.</source>
        <translation>.
Ctrl+Klick setzt ihn zurück.</translation>
    </message>
</context>
<context>
    <name>ember::app::ValueField</name>
    <message>
        <source>%1.
%2 to %3 %4, usually %5. Drag it, or click and type (also 48/2, +10 %, x2), then turn the wheel; Shift for fine steps; Ctrl+click returns to %6.</source>
        <translation>%1.
%2 bis %3 %4, üblich %5. Ziehen, oder klicken und eingeben (auch 48/2, +10 %, x2), dann das Rad drehen; Shift für feine Schritte; Ctrl+Klick kehrt zu %6 zurück.</translation>
    </message>
    <message>
        <source>the recipe&apos;s value</source>
        <translation>dem Wert des Rezepts</translation>
    </message>
    <message>
        <source>s</source>
        <translation>s</translation>
    </message>
    <message>
        <source>f</source>
        <translation>B</translation>
    </message>
    <message>
        <source>several</source>
        <translation>mehreren</translation>
    </message>
    <message>
        <source>“%1” is no number here. Type %2, or for example “48/2”, “+10 %” or “x2”.</source>
        <translation>„%1“ ist hier keine Zahl. %2 eingeben, oder zum Beispiel „48/2“, „+10 %“ oder „x2“.</translation>
    </message>
    <message>
        <source>%1 is out of range: %2.</source>
        <translation>%1 liegt außerhalb: %2.</translation>
    </message>
    <message>
        <source>%1 to %2 %3</source>
        <translation>%1 bis %2 %3</translation>
    </message>
    <message>
        <source>Type a value</source>
        <translation>Einen Wert eingeben</translation>
    </message>
    <message>
        <source>Return to the recipe&apos;s value</source>
        <translation>Zum Wert des Rezepts zurück</translation>
    </message>
    <message>
        <source>Reset to %1 %2</source>
        <translation>Auf %1 %2 zurücksetzen</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <source>Paste %1</source>
        <translation>%1 einfügen</translation>
    </message>
    <message>
        <source>Copy its key: %1</source>
        <translation>Schlüssel kopieren: %1</translation>
    </message>
</context>
</TS>
