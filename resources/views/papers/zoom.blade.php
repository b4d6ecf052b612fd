<div class="zoom" role="group" aria-label="Size of the pages">
    <button type="button" data-step="-1" aria-label="Smaller (−)">−</button><output>100 %</output>
    <button type="button" data-step="1" aria-label="Larger (+)">+</button>
    <button type="button" data-two aria-pressed="false" aria-label="Two pages side by side (2)">two pages</button></div>
