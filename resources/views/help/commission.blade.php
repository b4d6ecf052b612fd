<p>The sheet goes from the price to every payee, with the formula of each step. It ties out, or says where it does not.</p>
<ul><li>Splits, caps and fees come from the agent’s plan. What you enter for this deal is marked.</li><li><i>What if</i> tries
    another price
    or rate; nothing of it is saved.</li><li>The broker authorizes. Then note what came in and who was paid.
    @can('see-reports')<a href="/reports">Reports</a>
    have the year.@endcan</li></ul>
