<p>Offers on a listing stand side by side: what the sellers net, how certain each is, and its dates.</p>
<ul>
    <li>Record an offer by hand, or file it from the inbox: what the contract says is filled in already.</li>
    <li>The net sheet shows what is left after the loan, fees and commission, to print for the sellers.</li>
    <li>Accept one and its terms become the terms of the file.</li>
</ul>
