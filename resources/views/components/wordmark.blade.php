<svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true"><circle cx="5.5" cy="7" r="4" fill="#6a3a6d"/>
    <rect x="11" y="3.2" width="7.6" height="7.6" rx="1.2" fill="#4c6a28"/><path d="M11 11.6L15.6 16.2L11 20.8L6.4 16.2Z" fill="#2c5575"/>
    </svg>
