import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import "@fontsource/atkinson-hyperlegible-mono/latin-400.css";
import "@fontsource/atkinson-hyperlegible-mono/latin-600.css";
import "./globals.css";
import type { Metadata, Viewport } from "next";
import type { ReactNode } from "react";
import { Usable } from "@/ui/parts/Usable";

export const metadata: Metadata = {
  title: { default: "Rundik", template: "%s · Rundik" },
  description: "From a frame and box standard to the bench.",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1, themeColor: "#FAFAF7" };

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body>
        {children}
        <Usable />
      </body>
    </html>
  );
}
