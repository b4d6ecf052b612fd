<div class="leaf ask-term" id="layer-bar" hidden>
    <span><b>Writing on the page.</b> Point at a place or draw over words; with the keyboard, arrows move the cursor and Shift with them opens a frame. Then <kbd>t</kbd> text, <kbd>x</kbd> tick, <kbd>d</kbd> date, <kbd>l</kbd> strike out@unless ($paper->isDraft()), <kbd>c</kbd> cover: what is covered is gone from the print@endunless. On a piece: arrows move it, Enter changes its text, Delete takes it off.</span>
    <span id="layer-told" class="stored" role="status"></span>
    <button class="button tight" type="button" id="layer-end">Done</button>
</div>
<div class="leaf popped layer-menu" id="layer-menu" role="menu" aria-label="What comes there" hidden>
    <button type="button" role="menuitem" data-kind="text">Text <kbd>t</kbd></button>
    <button type="button" role="menuitem" data-kind="tick">Tick <kbd>x</kbd></button>
    <button type="button" role="menuitem" data-kind="date">Date <kbd>d</kbd></button>
    <button type="button" role="menuitem" data-kind="line">Strike out <kbd>l</kbd></button>
    @unless ($paper->isDraft())<button type="button" role="menuitem" data-kind="cover">Cover <kbd>c</kbd></button>@endunless
</div>
