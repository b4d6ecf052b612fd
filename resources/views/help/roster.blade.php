<p>Who comes, who goes, and what each person holds.</p>
<ul>
    <li>A joining or leaving is a list of steps with documents and days. Each step is given to a role.</li>
    <li>Whoever leaves: say for each open file who takes it over. On the last day access, links and addresses close by
        themselves.</li>
    <li>Licenses, insurance and courses have their last day here. The person and the broker are reminded.</li>
</ul>
