<div class="leaf ask-term" id="layer-bar" hidden>
    <span><b>Adding to the page.</b> Click a place or drag over words. With the keyboard, arrow keys move the cursor and Shift opens a
        frame. Then <kbd>t</kbd> text, <kbd>x</kbd> check, <kbd>d</kbd> date, <kbd>l</kbd> strike out{!! $paper->isDraft() ? '' :
        ', <kbd>c</kbd> cover (removes what is under it from the print)' !!}. On an item: arrow keys move it, Enter edits its text, Delete
        removes it.</span>
    <span id="layer-told" class="stored" role="status"></span>
    <button class="button tight" type="button" id="layer-end">Done</button>
</div>
<div class="leaf popped layer-menu" id="layer-menu" role="menu" aria-label="What to add" hidden>
    <button type="button" role="menuitem" data-kind="text">Text <kbd>t</kbd></button>
    <button type="button" role="menuitem" data-kind="tick">Tick <kbd>x</kbd></button>
    <button type="button" role="menuitem" data-kind="date">Date <kbd>d</kbd></button>
    <button type="button" role="menuitem" data-kind="line">Strike out <kbd>l</kbd></button>
    @unless ($paper->isDraft())<button type="button" role="menuitem" data-kind="cover">Cover <kbd>c</kbd></button>@endunless
</div>
