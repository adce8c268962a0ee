-- Pictures of pages are JPEG now; those of before are made anew when somebody looks.
DELETE FROM page_picture;
