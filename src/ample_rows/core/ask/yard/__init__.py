"""Questions on the yard: free strips and spots, and which way a place runs."""
